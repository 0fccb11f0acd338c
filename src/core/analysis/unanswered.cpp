#include "core/analysis/unanswered.h"

#include "core/analysis/meter/matrix.h"
#include "core/analysis/meter/words.h"
#include "core/analysis/power_steps.h"
#include "core/analysis/run_in_state.h"
#include "core/analysis/settings_plan.h"
#include "core/analysis/steps.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core {
namespace {

std::string counted(std::size_t n) { return std::to_string(n); }
std::string minutes(Seconds time) { return formatted(time.value() / 60, Dimension::Ratio, 3); }

using All = std::vector<Unanswered>;

void ofOwner(const Job& job, All& all) {
    for (const Complaint& each : job.intake.complaints) {
        if (each.answer.empty())
            all.push_back({"complaint:" + each.id,
                           each.id,
                           text("The owner says “%1”: nobody wrote what came of it", each.words),
                           {},
                           true});
    }
    for (const Spot& each : job.intake.spots) {
        if (each.mended.empty())
            all.push_back({"spot:" + each.id,
                           each.id,
                           text("Found and not mended: %1", each.words),
                           {},
                           true});
    }
    for (const TakenOff& each : job.intake.takenOff) {
        if (each.back.empty())
            all.push_back(
                {"off:" + each.what, each.what, text("Still off: %1", each.what), {}, false});
    }
}

void ofWork(const JobAnalysis& facts, All& all) {
    const Job& job = facts.job;
    std::size_t open = 0;
    Text first;
    for (const StepNow& each : stepsNow(job, facts.house)) {
        if (each.over()) continue;
        if (open++ == 0) first = each.step.words;
    }
    if (open == 1)
        all.push_back({"steps", "steps", text("One step is open: %1", first), {}, false});
    else if (open > 1)
        all.push_back({"steps",
                       "steps",
                       text("%1 steps are open; next: %2", counted(open), first),
                       {},
                       false});
    for (const Wire& wire : job.wires) {
        if (wire.provisional)
            all.push_back({"wire:" + wire.id,
                           wire.id,
                           text("The %1 wire %2 is provisional", wire.colour, wire.id),
                           {},
                           false});
    }
}

void ofPower(const JobAnalysis& facts, All& all) {
    const Job& job = facts.job;
    if (!job.decoder && job.groups.empty()) return;
    const meter::Matrix& matrix = meter::matrixOf(facts);
    if (!matrix.rows.empty() && matrix.proof != meter::Proof::Full)
        all.push_back({"meter",
                       "meter",
                       text("The meter does not prove all pairs; it allows: %1",
                            meter::allowed(matrix.allows)),
                       {},
                       false});
    const auto steps = powerSteps(job, facts.house);
    const auto seen = static_cast<std::size_t>(
        std::count_if(steps.begin(), steps.end(), [&](const PowerStep& step) {
            const PowerSeen* of = seenOf(job, step.id);
            return of && of->seen == Seen::AsItShould;
        }));
    if (seen < steps.size())
        all.push_back({"power",
                       "power",
                       text("%1 of %2 steps of the first power were seen as they should be",
                            counted(seen), counted(steps.size())),
                       {},
                       false});
}

void ofSettings(const JobAnalysis& facts, All& all) {
    const Job& job = facts.job;
    if (!job.decoder) return;
    if (!job.settings.address)
        all.push_back({"address", "address", text("No address was chosen"), {}, false});
    const SettingsPlan plan = settingsPlan(job, facts.house);
    const auto in = static_cast<std::size_t>(std::count_if(
        plan.keyIn.begin(), plan.keyIn.end(), [](const KeyIn& entry) { return entry.held; }));
    if (in < plan.keyIn.size())
        all.push_back(
            {"settings",
             "settings",
             text("%1 of %2 values are in the decoder", counted(in), counted(plan.keyIn.size())),
             {},
             false});
}

void ofRunIn(const JobAnalysis& facts, All& all) {
    if (!hasMotor(facts.job) || !facts.job.decoder || facts.house.runIn <= Seconds{0}) return;
    const auto forward = runInState(facts.job, facts.house, Direction::Forward);
    const auto reverse = runInState(facts.job, facts.house, Direction::Reverse);
    if (!forward.done() || !reverse.done())
        all.push_back({"run-in",
                       "run-in",
                       text("Run in %1 min forward and %2 min in reverse, of %3 min each way",
                            minutes(forward.ran), minutes(reverse.ran), minutes(forward.wanted)),
                       {},
                       false});
}

}  // namespace

std::vector<Unanswered> unanswered(const JobAnalysis& facts) {
    All all;
    ofOwner(facts.job, all);
    ofWork(facts, all);
    ofPower(facts, all);
    ofSettings(facts, all);
    ofRunIn(facts, all);
    for (Unanswered& each : all) {
        if (const Waived* of = waivedAs(facts.job, each.id)) each.why = of->why;
    }
    return all;
}

std::vector<Unanswered> stillOpen(const JobAnalysis& facts) {
    All all = unanswered(facts);
    std::erase_if(all, [](const Unanswered& each) { return !each.why.empty(); });
    return all;
}

const Waived* waivedAs(const Job& job, std::string_view id) {
    const auto& all = job.handOver.waived;
    const auto found =
        std::find_if(all.begin(), all.end(), [&](const Waived& each) { return each.what == id; });
    return found == all.end() ? nullptr : &*found;
}

bool hasWork(const Job& job) {
    return job.decoder || job.bank || !job.groups.empty() || !job.items.empty() ||
           !job.intake.complaints.empty() || !job.ownSteps.empty() || !job.handOver.on.empty();
}

}  // namespace glimmet::core
