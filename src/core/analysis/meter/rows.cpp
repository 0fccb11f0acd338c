#include "core/analysis/meter/rows.h"

#include "core/analysis/motor_evidence.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wire_list.h"
#include "core/analysis/wiring/wired_circuit.h"

#include <algorithm>
#include <set>

namespace glimmet::core::meter {
namespace {

using wiring::Role;

/// Collects pairs whose two points are there, each pair once.
class Pairs {
public:
    Pairs(const Job& job, const wiring::Wiring& wiring) : m_job(job), m_wiring(wiring) {}

    void add(About about, std::string id, const TerminalId& a, const TerminalId& b, Text why) {
        if (!m_wiring.terminal(a) || !m_wiring.terminal(b) || a == b) return;
        if (!m_pairs.insert(std::minmax(a, b)).second) return;
        Row row;
        row.id = std::move(id);
        row.about = about;
        row.first = a;
        row.second = b;
        row.words = text("%1 to %2", described(m_job, a), described(m_job, b));
        row.why = std::move(why);
        m_rows.push_back(std::move(row));
    }
    [[nodiscard]] bool has(const TerminalId& id) const { return m_wiring.terminal(id) != nullptr; }
    [[nodiscard]] bool onePoint(const TerminalId& a, const TerminalId& b) const {
        return wiring::joined(m_wiring, a, b);
    }
    const Job& job() const { return m_job; }
    const wiring::Wiring& wiring() const { return m_wiring; }
    std::vector<Row> taken() { return std::move(m_rows); }

private:
    const Job& m_job;
    const wiring::Wiring& m_wiring;
    std::vector<Row> m_rows;
    std::set<std::pair<TerminalId, TerminalId>> m_pairs;
};

constexpr const char* poles[] = {"left", "right", "centre"};

std::vector<TerminalId> framesOf(const Pairs& pairs, const Unit& unit) {
    std::vector<TerminalId> all;
    for (const char* pin : {"frame", "frame left", "frame right"}) {
        if (pairs.has({unit.id, pin})) all.push_back({unit.id, pin});
    }
    return all;
}

/// What a rail of a unit comes together in, where it has any.
std::vector<TerminalId> railsOf(const Pairs& pairs, const Unit& unit) {
    std::vector<TerminalId> all;
    for (const char* pole : poles) {
        if (pairs.has({unit.id, pole})) all.push_back({unit.id, pole});
    }
    return all;
}

/// Every unit whose rails are not one with those of a unit before.
void railPairs(Pairs& pairs) {
    std::vector<TerminalId> before;
    for (const Unit& unit : pairs.job().units) {
        const auto rails = railsOf(pairs, unit);
        const bool known = !rails.empty() &&
                           std::any_of(before.begin(), before.end(), [&](const TerminalId& each) {
                               return pairs.onePoint(each, rails.front());
                           });
        for (std::size_t i = 0; i < rails.size() && !known; ++i) {
            for (std::size_t k = i + 1; k < rails.size(); ++k) {
                if (pairs.onePoint(rails[i], rails[k])) continue;
                std::string id = "rail-rail";
                if (rails[k].pin == "centre") id = "centre-" + rails[i].pin;
                if (!before.empty()) id += ":" + unit.id;
                pairs.add(About::Rails, id, rails[i], rails[k],
                          text("a short here trips the booster, or burns a pickup"));
            }
        }
        before.insert(before.end(), rails.begin(), rails.end());
    }
}

void brushes(Pairs& pairs, const Unit& unit, const Motor& motor) {
    const auto frames = framesOf(pairs, unit);
    for (const char* pin : {"plus", "minus"}) {
        const std::string which = motor.id + (std::string(pin) == "minus" ? "/minus" : "");
        for (const TerminalId& frame : frames) {
            const std::string id = frame.pin == "frame" ? which : which + "/" + frame.pin.substr(6);
            pairs.add(About::BrushFrame, "brush-frame:" + id, {motor.id, pin}, frame,
                      text("a brush on the frame burns the decoder at once"));
        }
    }
}

void brushRails(Pairs& pairs, const Unit& unit, const Motor& motor) {
    const auto frames = framesOf(pairs, unit);
    for (const TerminalId& rail : railsOf(pairs, unit)) {
        const bool isFrame = std::any_of(frames.begin(), frames.end(), [&](const auto& frame) {
            return pairs.onePoint(frame, rail);
        });
        if (isFrame) continue;
        pairs.add(About::BrushRail, "brush-rail:" + motor.id + "/" + rail.pin, {motor.id, "plus"},
                  rail, text("a factory wire between rail and brush burns the decoder"));
    }
}

void motors(Pairs& pairs) {
    const Job& job = pairs.job();
    for (const Unit& unit : job.units) {
        for (const Motor& motor : unit.motors) brushes(pairs, unit, motor);
    }
    for (const Unit& unit : job.units) {
        for (const Motor& motor : unit.motors) {
            brushRails(pairs, unit, motor);
            pairs.add(About::Winding, "winding:" + motor.id, {motor.id, "plus"},
                      {motor.id, "minus"},
                      text("the winding, through both brushes; turn the rotor and read it again"));
            if (!job.decoder) continue;
            pairs.add(About::Lead, "motor-plus:" + motor.id, {motor.id, "plus"},
                      {decoderOwner, "orange"}, text("the motor's own lead"));
            pairs.add(About::Lead, "motor-minus:" + motor.id, {motor.id, "minus"},
                      {decoderOwner, "grey"}, text("the motor's own lead"));
        }
    }
}

/// Frames against rails, and each wheel through its pickup.
void pickups(Pairs& pairs) {
    for (const Unit& unit : pairs.job().units) {
        for (const TerminalId& frame : framesOf(pairs, unit)) {
            for (const TerminalId& rail : railsOf(pairs, unit)) {
                pairs.add(About::FrameRail,
                          "frame-rail:" + unit.id + "/" +
                              (frame.pin == "frame" ? "" : frame.pin.substr(6) + "-") + rail.pin,
                          frame, rail,
                          pairs.onePoint(frame, rail)
                              ? text("this frame carries the current of that rail")
                              : text("this frame must not touch that rail"));
            }
        }
    }
    for (const wiring::Terminal& wheel : pairs.wiring().terminals) {
        if (wheel.role != Role::Wheel) continue;
        const TerminalId pickup{wheel.unit, wheel.id.pin};
        if (!pairs.has(pickup) || !pairs.onePoint(wheel.id, pickup)) continue;
        // Where the rail comes out: at the decoder's lead, else where pickups come together.
        TerminalId out = pickup;
        for (const char* lead : {"red", "black"}) {
            const TerminalId id{decoderOwner, lead};
            if (pairs.has(id) && pairs.onePoint(id, pickup)) out = id;
        }
        pairs.add(About::Wheel, "wheel:" + wheel.id.owner + "." + wheel.id.pin, wheel.id, out,
                  text("each wheel that picks up, through its pickup"));
    }
}

void commons(Pairs& pairs) {
    for (const Unit& unit : pairs.job().units) {
        for (const TerminalId& rail : railsOf(pairs, unit)) {
            pairs.add(About::CommonRail, "common-rail:" + unit.id + "/" + rail.pin,
                      {decoderOwner, "blue"}, rail,
                      text("lamps tied to a rail from the factory light by themselves"));
        }
        break;  // one unit's rails stand for those that are led together with them
    }
}

void lamps(Pairs& pairs) {
    const Job& job = pairs.job();
    std::set<std::string> outputs;
    for (const LampGroup& group : job.groups) {
        if (group.rows.empty()) continue;
        const bool onSupply = group.output == supplyOutput;
        const TerminalId plus = onSupply ? plusOf(group) : TerminalId{decoderOwner, "blue"};
        const TerminalId minus = onSupply ? minusOf(group) : TerminalId{decoderOwner, group.output};
        if (onSupply || outputs.insert(group.output).second)
            pairs.add(About::Lamp, "lamp:" + group.id, plus, minus,
                      text("the lamp with its resistor: it lights faintly on the diode test, one "
                           "way round"));
        if (onSupply) continue;
        const auto unit = unitOf(job, plusOf(group));
        const Unit& of = job.units[unit.value_or(0)];
        for (const auto& points : {framesOf(pairs, of), railsOf(pairs, of)}) {
            for (const TerminalId& point : points) {
                pairs.add(About::LampLead, "lamp-lead:" + group.id + "/" + point.pin, minus, point,
                          text("a lamp lead on a rail or on the frame burns the output"));
            }
        }
    }
}

void stayAlive(Pairs& pairs) {
    if (!pairs.job().bank) return;
    const TerminalId plus{stayAliveOwner, "plus"}, minus{stayAliveOwner, "minus"};
    pairs.add(About::StayAlive, "stay-alive", plus, minus,
              text("the reading climbs while the meter charges it"));
}

void speakers(Pairs& pairs) {
    const Job& job = pairs.job();
    for (const FittedItem& item : job.items) {
        if (!std::holds_alternative<SpeakerPart>(item.part)) continue;
        const TerminalId a{item.id, "a"}, b{item.id, "b"};
        pairs.add(About::Speaker, "speaker:" + item.id, a, b, text("its coil"));
        const wiring::Terminal* at = pairs.wiring().terminal(a);
        if (!at) continue;
        for (const Unit& unit : job.units) {
            if (unit.id != at->unit) continue;
            for (const auto& points : {framesOf(pairs, unit), railsOf(pairs, unit)}) {
                for (const TerminalId& point : points)
                    pairs.add(About::SpeakerLead, "speaker-lead:" + item.id + "/" + point.pin, a,
                              point, text("a speaker lead on metal burns the amplifier"));
            }
        }
    }
}

/// On a battery old pickups must lead nowhere; a supply has its two ends.
void supply(Pairs& pairs) {
    const Job& job = pairs.job();
    const TerminalId plus{supplyOutput, "plus"}, minus{supplyOutput, "minus"};
    if (job.feed == Feed::BatteryRadio) {
        for (const wiring::Terminal& wheel : pairs.wiring().terminals) {
            if (wheel.role != Role::Wheel) continue;
            pairs.add(About::Battery, "pickup-battery:" + wheel.id.owner + "." + wheel.id.pin,
                      wheel.id, plus,
                      text("a pickup that is still joined brings the rails onto the battery"));
        }
        for (const Unit& unit : job.units) {
            for (const TerminalId& frame : framesOf(pairs, unit))
                pairs.add(About::Battery, "frame-battery:" + unit.id, frame, plus,
                          text("the frame must not be one with the battery"));
        }
        if (job.decoder) {
            pairs.add(About::Lead, "battery-plus", plus, {decoderOwner, "red"},
                      text("the battery's lead, through fuse and switch"));
            pairs.add(About::Lead, "battery-minus", minus, {decoderOwner, "black"},
                      text("the battery's lead"));
        }
    } else if (pairs.has(plus)) {
        for (const LampGroup& group : job.groups) {
            pairs.add(About::Supply, "supply-plus:" + group.id, plus, plusOf(group),
                      text("the lamp's plus on the supply's plus"));
            pairs.add(About::Supply, "supply-minus:" + group.id, minus, minusOf(group),
                      text("the lamp's minus on the supply's minus"));
        }
    }
}

}  // namespace

std::vector<Row> pairsOf(const Job& job, const wiring::Wiring& wiring) {
    Pairs pairs(job, wiring);
    railPairs(pairs);
    motors(pairs);
    pickups(pairs);
    commons(pairs);
    lamps(pairs);
    stayAlive(pairs);
    speakers(pairs);
    supply(pairs);
    return pairs.taken();
}

}  // namespace glimmet::core::meter
