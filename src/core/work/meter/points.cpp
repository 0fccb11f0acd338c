#include "core/work/meter/points.h"

#include "core/analysis/motor_evidence.h"
#include "core/analysis/wiring/terminals.h"

#include <algorithm>

namespace glimmet::core::meter {
namespace {

using wiring::Role;

void motorWords(const Job& job, Called& point) {
    const std::string pin = point.id.pin;
    std::vector<std::string> words = {"motor " + pin, pin + " brush", "brush " + pin, pin};
    if (pin == "plus") words.insert(words.end(), {"brush", "motor", "motor brush", "orange brush"});
    if (pin == "minus") words.insert(words.end(), {"other brush", "grey brush", "second brush"});
    for (const MotorAt& at : motorsOf(job)) {
        if (at.motor->id != point.id.owner) continue;
        const std::string of = lowered(motorCalled(job, *at.motor));
        if (of.empty()) break;
        // Of several each by its own name; the bare words are the first one's.
        std::vector<std::string> longer;
        for (const std::string& each : words) longer.push_back(each + " of " + of);
        const bool first = motorsOf(job).front().motor->id == point.id.owner;
        if (first) longer.insert(longer.end(), words.begin(), words.end());
        words = std::move(longer);
        break;
    }
    point.words.insert(point.words.end(), words.begin(), words.end());
}

void wheelWords(Called& point) {
    const std::string& owner = point.id.owner;
    const std::string part = owner.substr(owner.find('/') + 1), pin = point.id.pin;
    const std::size_t digits = part.find_first_of("0123456789");
    const std::string number = digits == std::string::npos ? "" : part.substr(digits);
    const std::string kind = part.starts_with("axle") ? "axle" : "pickup";
    for (const std::string& each :
         {kind + " " + number + " " + pin, kind + " " + number + " " + pin + " wheel",
          pin + " wheel " + number, pin + " wheel of " + kind + " " + number,
          kind + " " + number + ", " + pin + " wheel"})
        point.words.push_back(each);
    if (number == "1") point.words.push_back(pin + " wheel");
}

void decoderWords(const Job& job, Called& point) {
    const std::string pin = lowered(point.id.pin);
    std::vector<std::string> words;
    const DecoderOutput* output = outputNamed(job, point.id.pin);
    if (output) {
        words = {"output " + pin, pin + " output", pin};
        if (!output->wire.empty())
            words.insert(words.end(), {output->wire, output->wire + " lead"});
        if (pin == "front" || pin == "rear") words.push_back(pin + " lead");
    } else {
        words = {pin, pin + " lead", "decoder " + pin};
        if (pin == "grey") words.insert(words.end(), {"gray", "gray lead"});
        if (pin == "blue") words.insert(words.end(), {"common", "lamp common"});
        if (pin == "plus" || pin == "ground") words = {"decoder " + pin, "decoder's " + pin};
        if (pin == "ground") words.push_back("ground");
    }
    point.words.insert(point.words.end(), words.begin(), words.end());
}

void lampWords(const LampGroup& group, Called& point) {
    const std::string name = lowered(group.name), pin = point.id.pin;
    const bool whole = point.id.owner == group.id;
    if (whole) {
        for (const std::string& each :
             {name + " " + pin, name + " lead " + pin, pin + " of " + name, name + " lamp " + pin})
            point.words.push_back(each);
        if (pin == "minus") point.words.insert(point.words.end(), {name, name + " lead"});
    } else if (group.rows.size() == 1 && group.rows.front().lamps.size() == 1 &&
               (pin == "anode" || pin == "cathode")) {
        point.words.push_back(name + " " + pin);
    }
}

void unitWords(const Job& job, Called& point, Role role) {
    const std::string pin = point.id.pin;
    std::vector<std::string> words;
    if (role == Role::Frame) {
        words = {pin};
        if (pin == "frame") words.insert(words.end(), {"chassis", "the frame", "weight"});
        if (pin.size() > 6)
            words.insert(words.end(), {pin.substr(6) + " frame", pin.substr(6) + " half"});
    } else {
        words = {pin + " rail", pin + " pickup", pin + " pickups", "rail " + pin};
        if (pin == "centre")
            words.insert(words.end(), {"slider", "middle rail", "middle conductor"});
    }
    const std::size_t unit = unitAt(job, point.id.owner);
    const std::string of = lowered(unitCalled(job, unit));
    if (!of.empty()) {
        std::vector<std::string> longer;
        for (const std::string& each : words) longer.push_back(each + " of " + of);
        for (const std::string& each : words) longer.push_back(of + " " + each);
        if (unit == 0) longer.insert(longer.end(), words.begin(), words.end());
        words = std::move(longer);
    }
    point.words.insert(point.words.end(), words.begin(), words.end());
}

}  // namespace

std::vector<Called> pointsCalled(const Job& job, const wiring::Wiring& wiring) {
    std::vector<Called> all;
    for (const wiring::Terminal& each : wiring.terminals) {
        Called point{each.id, {}};
        switch (each.role) {
            case Role::Brush:
                motorWords(job, point);
                break;
            case Role::Wheel:
                wheelWords(point);
                break;
            case Role::Decoder:
                decoderWords(job, point);
                break;
            case Role::Frame:
            case Role::Pickup:
                unitWords(job, point, each.role);
                break;
            case Role::StayAlive:
                point.words = {"stay-alive " + each.id.pin, "bank " + each.id.pin,
                               "capacitor " + each.id.pin};
                break;
            case Role::Supply:
                point.words = {each.id.owner == supplyOutput ? "supply " + each.id.pin
                                                             : "bridge " + each.id.pin,
                               "battery " + each.id.pin};
                break;
            case Role::Speaker:
                point.words = {"speaker " + each.id.pin};
                if (each.id.pin == "a") point.words.emplace_back("speaker");
                break;
            case Role::Lamp:
            case Role::Resistor:
            case Role::Driver:
            case Role::Switch:
            case Role::Strip:
            case Role::Plug:
            case Role::WireEnd:
            case Role::Rail:
                break;
        }
        if (const LampGroup* group = groupOf(job, each.id.owner)) lampWords(*group, point);
        point.words.push_back(lowered(spelled(each.id)));
        all.push_back(std::move(point));
    }
    return all;
}

const Called* pointCalled(const std::vector<Called>& all, std::string_view words) {
    const std::string wanted = lowered(words);
    for (const Called& each : all) {
        if (std::find(each.words.begin(), each.words.end(), wanted) != each.words.end())
            return &each;
    }
    return nullptr;
}

}  // namespace glimmet::core::meter
