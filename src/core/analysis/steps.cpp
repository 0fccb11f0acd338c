#include "core/analysis/steps.h"

#include "core/analysis/circuits_across.h"
#include "core/analysis/lamp_groups.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/wiring/wire_list.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core {
namespace {

Text motorWords(const Job& job, const Motor& motor) {
    const std::string name = motorCalled(job, motor);
    return name.empty() ? text("the motor") : text("the motor of %1", name);
}

/// "isolate" for the only motor, "isolate rear car" of several.
std::string named(const char* what, const Job& job, const Motor& motor) {
    const std::string of = motorCalled(job, motor);
    return of.empty() ? std::string(what) : what + (" " + of);
}

void opening(const Job& job, std::vector<Step>& steps) {
    if (isStructure(job)) return;
    steps.push_back({"open",
                     "open",
                     StepKind::Open,
                     text("Take the body off, and photograph what is there"),
                     {},
                     {},
                     true});
}

/// What came with the model and does not stay.
void strip(const Job& job, std::vector<Step>& steps) {
    if (job.board.fate != BoardFate::Replaced) return;
    steps.push_back({"strip",
                     "strip",
                     StepKind::Cut,
                     text("Take the factory's board out and tag each wire that stays"),
                     {},
                     text("the wires that stay, by meter: colours lie"),
                     false});
}

/// The motor free of frame and rails.
void isolate(const Job& job, const WorkshopRules& house, const Unit& unit, const Motor& motor,
             std::vector<Step>& steps) {
    const Text the = motorWords(job, motor);
    const Text proof = text("no reading between either brush and the frame");
    if (unit.frame == FrameKind::Insulated || socketed(job)) {
        steps.push_back({"isolate:" + motor.id,
                         named("isolate", job, motor),
                         StepKind::Probe,
                         text("Probe both brushes of %1 against the frame", the),
                         proof,
                         {},
                         true});
        return;
    }
    Step step{"isolate:" + motor.id,
              named("isolate", job, motor),
              StepKind::Isolate,
              {},
              proof,
              {},
              true};
    switch (house.isolation) {
        case Isolation::Tape:
            step.words = text("Free %1 from the frame: tape under its brush strip", the);
            break;
        case Isolation::Screw:
            step.words = text("Free %1 from the frame: a plastic screw holds it", the);
            break;
        case Isolation::CutStrip:
            step.kind = StepKind::Cut;
            step.words = text("Free %1 from the frame: cut its contact strip", the);
            step.proved = text("which strip leads to the frame");
            break;
    }
    steps.push_back(std::move(step));
}

void bores(const Job& job, std::vector<Step>& steps) {
    for (const LampGroup& group : job.groups) {
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            const auto& bore = group.rows[r].bore;
            if (!bore) continue;
            const std::string which =
                group.rows.size() > 1 ? group.name + "/" + std::to_string(r + 1) : group.name;
            steps.push_back(
                {"bore:" + group.id + "/" + std::to_string(r + 1), "drill " + which,
                 StepKind::Drill, text("Drill %1 for %2", formatted(bore->across, 2), which),
                 text("the lamp goes in by hand"), text("what lies behind the wall there"), false});
        }
    }
}

void rails(const Job& job, std::vector<Step>& steps) {
    if (!job.decoder || job.feed == Feed::BatteryRadio) return;
    if (socketed(job)) {
        steps.push_back(
            {"plug:D1",
             "decoder",
             StepKind::Plug,
             text("Take the blanking plug out and plug the decoder in, pin 1 to its mark"),
             text("the short proof, with the decoder out"),
             {},
             true});
        return;
    }
    steps.push_back(
        {"rails",
         "rails",
         StepKind::Solder,
         text("Sleeves on, then the rail pair: red to the right rail, black to the left"),
         text("each rail to its lead, and nothing between the two"),
         {},
         true});
}

void motorPair(const Job& job, const Motor& motor, std::vector<Step>& steps) {
    if (!job.decoder || socketed(job)) return;
    steps.push_back({"motor:" + motor.id,
                     named("motor", job, motor),
                     StepKind::Solder,
                     text("Sleeves on, then the motor pair: orange to plus, grey to minus of %1",
                          motorWords(job, motor)),
                     text("the winding between orange and grey, nothing from either to a rail"),
                     {},
                     true});
}

void lamps(const Job& job, std::vector<Step>& steps) {
    for (const LampGroup& group : job.groups) {
        const bool onSupply = group.output == supplyOutput;
        steps.push_back(
            {"lamp:" + group.id,
             group.name,
             StepKind::Solder,
             onSupply
                 ? text("Wire %1 with its resistor to the supply, sleeves on first", group.name)
                 : text("Wire %1 with its resistor to output %2 and the common, sleeves on "
                        "first",
                        group.name, group.output),
             text("it lights on the lamp tester, and neither lead reads to a rail or the frame"),
             {},
             true});
    }
}

void stayAlive(const Job& job, std::vector<Step>& steps) {
    if (!job.bank) return;
    steps.push_back({"join:K1", "stay-alive", StepKind::Charge,
                     text("Join the stay-alive: plus to the common, minus to the decoder's ground"),
                     text("plus on plus: look twice before there is power"), text("its polarity"),
                     true});
}

void couplings(const Job& job, std::vector<Step>& steps) {
    for (std::size_t i = 0; i < job.couplings.size(); ++i) {
        const std::size_t needed = circuitsAcross(job, i).needed();
        if (needed == 0) continue;
        steps.push_back({"coupling:" + job.units[i].id,
                         job.couplings.size() == 1 ? "plug" : "plug " + std::to_string(i + 1),
                         StepKind::Solder,
                         text("Make the plug between %1 and %2: %3 circuits, on %4 contacts",
                              unitCalled(job, i), unitCalled(job, i + 1), std::to_string(needed),
                              std::to_string(job.couplings[i].contacts)),
                         text("each contact to its own, and to no other"),
                         {},
                         true});
    }
}

void battery(const Job& job, std::vector<Step>& steps) {
    if (job.feed != Feed::BatteryRadio) return;
    steps.push_back({"fuse",
                     "fuse",
                     StepKind::Solder,
                     text("A fuse in the battery's plus, close to the cells"),
                     text("the fuse reads through"),
                     {},
                     false});
    steps.push_back({"cut-off",
                     "cut-off",
                     StepKind::Solder,
                     text("The switch and the charging socket"),
                     text("off is open; the socket's plus is the battery's"),
                     {},
                     true});
    steps.push_back({"charge",
                     "charge",
                     StepKind::Charge,
                     text("Charge the battery outside the model, with its own charger"),
                     text("its voltage at rest"),
                     {},
                     true});
}

void closing(const Job& job, std::vector<Step>& steps) {
    const bool soldered = std::any_of(
        steps.begin(), steps.end(), [](const Step& step) { return step.kind == StepKind::Solder; });
    if (soldered)
        steps.push_back({"sleeve", "sleeve", StepKind::Insulate,
                         text("Shrink the sleeves over the joints, once each is tested"),
                         text("no bare joint is left"),
                         text("each joint, by a pull and by the meter"), true});
    if (job.decoder && !socketed(job))
        steps.push_back({"leads",
                         "leads",
                         StepKind::Insulate,
                         text("Cut unused leads back one by one and cover each end"),
                         text("no bare end is left"),
                         {},
                         true});
    if (isStructure(job)) return;
    steps.push_back({"tuck",
                     "tuck",
                     StepKind::Close,
                     text("Tuck the wires clear of shafts and gears, and hold the decoder"),
                     text("it turns by hand without a sound"),
                     {},
                     true});
}

void ownSteps(const Job& job, std::vector<Step>& steps) {
    for (const OwnStep& own : job.ownSteps) {
        const auto before = std::find_if(steps.begin(), steps.end(),
                                         [&](const Step& step) { return step.id == own.before; });
        steps.insert(
            before, {"own:" + own.id, own.words, StepKind::Own, verbatim(own.words), {}, {}, true});
    }
}

}  // namespace

bool cannotBeUndone(const Step& step) {
    return step.kind == StepKind::Cut || step.kind == StepKind::Drill ||
           step.kind == StepKind::Glue;
}

Text cautionOf(StepKind kind) {
    switch (kind) {
        case StepKind::Solder:
            return text(
                "Hot iron and fumes: air the room, eyes covered when you clip leads, never "
                "on a powered model.");
        case StepKind::Cut:
        case StepKind::Drill:
            return text("Eyes covered, the work in a vice. Clean the swarf off, then probe again.");
        case StepKind::Insulate:
            return text("A heat gun burns, and melts the plastic beside.");
        case StepKind::Glue:
            return text("It bonds skin, and its vapour fogs lamps and glazing: air the room.");
        case StepKind::Charge:
            return text(
                "Let a capacitor run empty before you touch it; reversed it vents or burns. "
                "Cells only with their own charger, never unattended.");
        case StepKind::Plug:
            return text("Touch grounded metal first, and hold the board by its edges.");
        case StepKind::Open:
        case StepKind::Look:
        case StepKind::Isolate:
        case StepKind::Probe:
        case StepKind::Close:
        case StepKind::Own:
            break;
    }
    return {};
}

std::vector<Step> stepsOf(const Job& job, const WorkshopRules& house) {
    std::vector<Step> steps;
    opening(job, steps);
    strip(job, steps);
    for (const Unit& unit : job.units) {
        if (!job.decoder) break;
        for (const Motor& motor : unit.motors) isolate(job, house, unit, motor, steps);
    }
    bores(job, steps);
    rails(job, steps);
    for (const MotorAt& at : motorsOf(job)) motorPair(job, *at.motor, steps);
    battery(job, steps);
    lamps(job, steps);
    stayAlive(job, steps);
    couplings(job, steps);
    // The body comes off for something only.
    if (steps.size() == 1 && steps.front().id == "open") steps.clear();
    if (!steps.empty()) closing(job, steps);
    ownSteps(job, steps);
    return steps;
}

const StepRecord* recordOf(const Job& job, std::string_view step) {
    const auto found = std::find_if(job.steps.begin(), job.steps.end(),
                                    [&](const StepRecord& each) { return each.step == step; });
    return found == job.steps.end() ? nullptr : &*found;
}

std::vector<StepNow> stepsNow(const Job& job, const WorkshopRules& house) {
    std::vector<StepNow> all;
    for (Step& step : stepsOf(job, house)) {
        StepNow now{std::move(step)};
        if (const StepRecord* record = recordOf(job, now.step.id)) now.record = *record;
        all.push_back(std::move(now));
    }
    for (const StepRecord& record : job.steps) {
        if (!record.step.starts_with(waitPrefix)) continue;
        const std::string what = record.step.substr(waitPrefix.size());
        all.push_back({{record.step, what, StepKind::Own, text("Wait: %1", what)}, record});
    }
    return all;
}

const StepNow* nextStep(const std::vector<StepNow>& all) {
    const auto found =
        std::find_if(all.begin(), all.end(), [](const StepNow& each) { return !each.record; });
    return found == all.end() ? nullptr : &*found;
}

}  // namespace glimmet::core
