// What usually lies behind a pair that fails, by what it is about and how it failed.
#include "core/analysis/meter/matrix.h"

#include <algorithm>

namespace glimmet::core::meter {
namespace {

FrameKind frameOf(const Job& job, const Row& row) {
    for (const Unit& unit : job.units) {
        if (unit.id == row.second.owner) return unit.frame.value_or(FrameKind::Insulated);
        for (const Motor& motor : unit.motors) {
            if (motor.id == row.first.owner) return unit.frame.value_or(FrameKind::Insulated);
        }
    }
    return FrameKind::Insulated;
}

std::vector<Text> ofBrush(const Job& job, const Row& row) {
    std::vector<Text> all = {text("the brush spring touches the frame"),
                             text("the motor's screw or contact strip bridges to the frame")};
    if (frameOf(job, row) == FrameKind::FrameReturn)
        all.insert(all.begin() + 1,
                   text("the factory's return through the frame is still in place"));
    all.push_back(text("the tape under the brush has slipped or is pierced"));
    return all;
}

std::vector<Text> tooMuch(const Job& job, const Row& row) {
    switch (row.about) {
        case About::Rails:
            return {text("a wheel set is in the wrong way round, insulated side over"),
                    text("a pickup is bent onto the wheel of the other side"),
                    text("a wire is trapped by the body or at a screw"),
                    text("a lamp or an interference part is still across the rails")};
        case About::BrushFrame:
            return ofBrush(job, row);
        case About::BrushRail:
            return {text("a factory wire from pickup to brush is still there"),
                    text("the factory's bridge or choke was left in"),
                    text("a wire is trapped by the body or at a screw")};
        case About::FrameRail:
            return {text("a wheel set is in the wrong way round"),
                    text("a pickup or its wire touches the frame")};
        case About::CommonRail:
        case About::LampLead:
            return {text("the factory tied the lamps' common to a rail or the frame"),
                    text("a bulb's base or a lead without a sleeve touches metal")};
        case About::Speaker:
        case About::SpeakerLead:
            return {text("the speaker's basket or a lead touches metal")};
        case About::Battery:
            return {text("a pickup wire was not cut"), text("a lead touches the frame")};
        case About::Winding:
            return {text("the winding or the collector is shorted"),
                    text("both brushes touch the frame")};
        case About::Lamp:
            return {text("the LED is shorted, or solder bridges its legs"),
                    text("the resistor was forgotten or is bridged")};
        case About::StayAlive:
            return {text("the stay-alive is shorted"), text("it is reversed")};
        case About::Wheel:
        case About::Lead:
        case About::Plug:
        case About::Supply:
            break;
    }
    return {text("a strand of wire or solder bridges the two")};
}

std::vector<Text> tooLittle(const Row& row) {
    switch (row.about) {
        case About::Wheel:
            return {text("the pickup is off its wheel, or glued down"),
                    text("wheel tread or pickup is dirty or oxidised"),
                    text("a solder joint of its wire is cold")};
        case About::Lead:
        case About::Plug:
        case About::Supply:
            return {text("a joint is cold or torn"), text("the plug is half a turn or one pin off"),
                    text("the wire goes elsewhere than its colour says")};
        case About::Winding:
            return {text("a brush does not reach the collector"),
                    text("the winding is open at this position"), text("the collector is dirty")};
        case About::Lamp:
            return {text("the LED is reversed or dead"), text("a joint is cold"),
                    text("the resistor is the wrong one")};
        case About::FrameRail:
            return {text("the frame's contact to its wheels is dirty")};
        case About::StayAlive:
            return {text("a joint of the stay-alive is open"), text("the capacitor is dead")};
        case About::Rails:
        case About::BrushFrame:
        case About::BrushRail:
        case About::CommonRail:
        case About::LampLead:
        case About::Speaker:
        case About::SpeakerLead:
        case About::Battery:
            break;
    }
    return {text("a joint is cold")};
}

}  // namespace

std::vector<Text> causesOf(const JobAnalysis& facts, const Row& row) {
    if (row.state != State::Over || row.read.empty()) return {};
    const PairReading& last = row.read.back();
    std::vector<Text> all;
    if (last.look == Look::Sometimes) {
        all = {text("a strand or a lead without a sleeve touches when it is moved"),
               text("a joint is cracked")};
    }
    const bool conducts = last.look == Look::Beep || last.look == Look::OneWay ||
                          last.look == Look::Rising ||
                          (last.look == Look::Value &&
                           (row.expect == Expect::Open || (row.low && *last.ohms < *row.low) ||
                            (row.expect == Expect::OneWay) || row.expect == Expect::Rising));
    const bool more = row.expect == Expect::Open || conducts;
    for (Text& each :
         more&& row.expect != Expect::Joined ? tooMuch(facts.job, row) : tooLittle(row))
        all.push_back(std::move(each));
    return all;
}

}  // namespace glimmet::core::meter
