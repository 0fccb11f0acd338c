// The stage of wiring: steps ticked, skipped, waiting; own steps; what is out of order; the list of
// wires with gauge and current.
#include "core/analysis/steps.h"
#include "core/analysis/wiring/wire_list.h"
#include "core/quantity/moment.h"
#include "core/wire/wire.h"
#include "support/findings.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace glimmet::core::wire {
namespace {

using tests::factsOf;
using tests::jotted;
using tests::shunter;

Job withLamp() { return jotted(shunter(), {"lamp front white", "resistor front 2k2"}); }
/// Entered at a time of the day.
Job at(const Job& job, const char* line, const char* moment) {
    auto taken = applyLine(line, job, tests::smallCatalogue(), moment);
    if (!taken) throw std::invalid_argument(plain(taken.error().what));
    return std::move(taken->after);
}
std::string refusedOf(const Job& job, const char* line) {
    const auto taken = applyLine(line, job, tests::smallCatalogue(), "2026-03-02T14:30");
    return taken ? "" : plain(taken.error().what);
}

TEST(Moments, AreLocalTimeToTheMinute) {
    EXPECT_EQ(later("2026-03-02T14:30", Seconds{7200}), "2026-03-02T16:30");
    EXPECT_EQ(later("2026-02-28T23:30", Seconds{3600}), "2026-03-01T00:30");
    EXPECT_EQ(later("2024-02-28T23:30", Seconds{3600}), "2024-02-29T00:30");
    EXPECT_EQ(later("2026-12-31", Seconds{86400}), "2027-01-01T00:00");
    EXPECT_EQ(between("2026-03-02T14:30", "2026-03-03T14:00"), Seconds{84600});
    EXPECT_EQ(between("2026-03-02T14:30", "2026-03-02T14:00"), Seconds{-1800});
    EXPECT_EQ(clockOf("2026-03-02T14:30"), "14:30");
    for (const char* wrong : {"", "2026-13-02T14:30", "2026-02-30", "2026-03-02T24:00",
                              "2026-03-02T1430", "soon", "2026-03-02T14:61"})
        EXPECT_FALSE(later(wrong, Seconds{60}).has_value()) << wrong;
}

TEST(WireStage, LeadsFromStepToStep) {
    Job job = withLamp();
    const std::size_t count = stepsOf(job, {}).size();
    for (std::size_t i = 0; i < count; ++i) {
        const auto all = findings(factsOf(job));
        const Finding* next = tests::found(all, "wire.steps");
        ASSERT_NE(next, nullptr);
        ASSERT_TRUE(next->open);
        EXPECT_TRUE(
            plain(next->sentence).starts_with(std::to_string(i) + " of " + std::to_string(count)))
            << plain(next->sentence);
        ASSERT_EQ(next->options.size(), 1U);
        job = jotted(job, {next->options[0].jot.c_str()});
    }
    const auto all = findings(factsOf(job));
    EXPECT_FALSE(tests::found(all, "wire.steps")->open);
    EXPECT_EQ(plain(tests::found(all, "wire.steps")->sentence),
              "All " + std::to_string(count) + " steps are done.");
}
TEST(WireStage, CarriesTheCautionOfItsNextStep) {
    Job job = jotted(withLamp(), {"step open done", "step isolate done"});
    const auto soldering = findings(factsOf(job));
    EXPECT_EQ(tests::found(soldering, "wire.steps")->caution, cautionOf(StepKind::Solder));
    job = jotted(withLamp(), {"school isolation cut-strip", "step open done"});
    const auto cutting = findings(factsOf(job, houseOf(job, {})));
    EXPECT_NE(plain(tests::found(cutting, "wire.steps")->sentence)
                  .find("It cannot be undone. First prove: which strip leads to the frame."),
              std::string::npos)
        << plain(tests::found(cutting, "wire.steps")->sentence);
}
TEST(WireStage, KeepsMinutesReasonsAndDays) {
    const Job job = jotted(withLamp(), {"step open done 5min",
                                        "step leads skipped the owner does "
                                        "them"});
    const StepRecord open = *recordOf(job, "open"), leads = *recordOf(job, "leads");
    EXPECT_EQ(open.took, Seconds{300});
    EXPECT_EQ(open.on, "2026-03-02");
    EXPECT_EQ(leads.fate, StepFate::Skipped);
    EXPECT_EQ(leads.why, "the owner does them");
    EXPECT_EQ(recordOf(jotted(job, {"step open open"}), "open"), nullptr);
    // Ticked again it has the later time only.
    EXPECT_EQ(recordOf(jotted(job, {"step open done 8min"}), "open")->took, Seconds{480});
}
TEST(WireStage, WaitsUntilAMomentThatIsKept) {
    Job job = at(withLamp(), "wait glue 2h", "2026-03-02T14:30");
    ASSERT_NE(recordOf(job, "wait:glue"), nullptr);
    EXPECT_EQ(recordOf(job, "wait:glue")->until, "2026-03-02T16:30");
    // A step of the model waits under its own name.
    EXPECT_EQ(recordOf(at(job, "wait rails 30min", "2026-03-02T23:45"), "rails")->until,
              "2026-03-03T00:15");
    // When nothing else is left, the wait is what is left.
    for (const Step& step : stepsOf(job, {}))
        job = jotted(job, {("step " + step.name + " done").c_str()});
    const auto all = findings(factsOf(job));
    EXPECT_EQ(plain(tests::found(all, "wire.steps")->sentence),
              "Only waiting is left: glue, until 16:30.");
    EXPECT_TRUE(tests::found(all, "wire.steps")->open);
    job = jotted(job, {"step glue done"});
    const auto dry = findings(factsOf(job));
    EXPECT_FALSE(tests::found(dry, "wire.steps")->open);
    EXPECT_EQ(recordOf(jotted(job, {"step glue gone"}), "wait:glue"), nullptr);
}
TEST(WireStage, TakesOwnStepsBeforeOthers) {
    Job job = jotted(withLamp(), {"todo fit couplers before tuck", "todo paint the roof"});
    const auto steps = stepsOf(job, {});
    const auto own = std::find_if(steps.begin(), steps.end(),
                                  [](const Step& step) { return step.name == "fit couplers"; });
    ASSERT_NE(own, steps.end());
    EXPECT_EQ((own + 1)->id, "tuck");
    EXPECT_EQ(steps.back().name, "paint the roof");
    job = jotted(job, {"step fit couplers done", "step paint the roof gone"});
    EXPECT_EQ(job.ownSteps.size(), 1U);
    EXPECT_EQ(job.steps.size(), 1U);
    EXPECT_NE(refusedOf(job, "step rails gone").find("cannot be struck"), std::string::npos);
    // Ids are given out once.
    EXPECT_NE(jotted(job, {"todo x"}).ownSteps[1].id, job.ownSteps[0].id);
}
TEST(WireStage, RefusesWhatIsNoStep) {
    EXPECT_NE(refusedOf(withLamp(), "step gearbox done").find("Which step? There are: open"),
              std::string::npos);
    EXPECT_NE(refusedOf(withLamp(), "step rails skipped").find("Why is it skipped?"),
              std::string::npos);
    EXPECT_NE(refusedOf(withLamp(), "wait glue").find("For how long?"), std::string::npos);
    EXPECT_FALSE(refusedOf(withLamp(), "step rails done because").empty());
}
TEST(WireStage, SaysWhatIsOutOfOrder) {
    const Job job = jotted(withLamp(), {"step open done", "step tuck done"});
    const auto all = findings(factsOf(job));
    const Finding* early = tests::found(all, "wire.early:tuck");
    ASSERT_NE(early, nullptr);
    EXPECT_EQ(early->state, State::Close);
    EXPECT_EQ(plain(early->sentence),
              "“tuck” is done, but “isolate” is still open. Do that first, or say why it is "
              "skipped.");
}

const ListedWire& wireOf(const std::vector<ListedWire>& all, std::string_view net) {
    const auto found = std::find_if(all.begin(), all.end(),
                                    [&](const ListedWire& each) { return each.net == net; });
    if (found == all.end()) throw std::out_of_range(std::string(net));
    return *found;
}
TEST(WireList, HasColourGaugeAndCurrentOfWhatIsPlanned) {
    const Job job = withLamp();  // slips at 600 mA
    const JobAnalysis facts = factsOf(job);
    const auto wires = wireList(facts);
    const ListedWire orange = wireOf(wires, "motor plus"), red = wireOf(wires, "rail right");
    EXPECT_EQ(orange.colour, "orange");
    EXPECT_TRUE(orange.planned);
    EXPECT_EQ(orange.amps, Amperes{0.6});
    // 30 AWG takes 0.5 A, 28 takes 0.8: 0.6 is within 85 % of that.
    EXPECT_EQ(orange.awg, 28);
    EXPECT_EQ(orange.state, State::Fine);
    EXPECT_FALSE(orange.length.has_value());
    EXPECT_EQ(red.colour, "red");
    EXPECT_NEAR(red.amps->value(), 0.6 + facts.groups[0]->total.value(), 1e-12);
    EXPECT_EQ(wireOf(wires, "output front").colour, "white");
    EXPECT_EQ(wireOf(wires, "output front").awg, 36);
    EXPECT_EQ(wireOf(wires, "common").colour, "blue");
    // A lamp has two wires, not four.
    EXPECT_EQ(std::count_if(wires.begin(), wires.end(),
                            [](const auto& each) { return each.net == "common"; }),
              1);
}
TEST(WireList, OfASocketHasNoLeadsOfTheDecoder) {
    Job job = withLamp();
    job.wanted.socket = job.decoder->part.plug = "8-pin";
    for (const ListedWire& wire : wireList(factsOf(job))) {
        EXPECT_NE(wire.net, "motor plus");
        EXPECT_NE(wire.net, "rail left");
    }
}
/// A wire of the record from the motor to the decoder.
Job laid(int awg, bool provisional) {
    Job job = withLamp();
    Wire wire;
    wire.id = newId(job, 'W');
    wire.colour = "orange";
    wire.from = TerminalId{job.units[0].motors[0].id, "plus"};
    wire.to = TerminalId{"D1", "orange"};
    wire.awg = awg;
    wire.length = Millimetres{100};
    wire.provisional = provisional;
    job.wires.push_back(wire);
    return job;
}
TEST(WireList, JudgesWhatIsLaidByItsGauge) {
    EXPECT_EQ(tests::stateOf(laid(28, false), "wire.gauge:W4"), State::Fine);
    const Job job = laid(36, false);
    const std::string id = job.wires[0].id;
    const JobAnalysis facts = factsOf(job);
    const auto wires = wireList(facts);
    EXPECT_EQ(wires[0].id, id);
    EXPECT_FALSE(wires[0].planned);
    EXPECT_EQ(wires[0].state, State::Over);
    // 0.1 m of 1.36 Ω/m at 0.6 A.
    EXPECT_NEAR(wires[0].drop->value(), 0.6 * 0.136, 1e-9);
    // It is not planned once more.
    EXPECT_EQ(std::count_if(wires.begin(), wires.end(),
                            [](const auto& each) { return each.net == "motor plus"; }),
              1);
    const auto all = findings(facts);
    const Finding* thin = tests::found(all, "wire.gauge:" + id);
    ASSERT_NE(thin, nullptr);
    EXPECT_EQ(plain(thin->sentence), "The orange wire " + id +
                                         " is 36 AWG: it can take 120 mA for hours, and 600 mA "
                                         "flow.");
}
TEST(WireList, AProvisionalWireIsToComeOut) {
    const Job job = laid(28, true);
    EXPECT_EQ(tests::stateOf(job, "wire.provisional:" + job.wires[0].id), State::Close);
    EXPECT_EQ(tests::stateOf(laid(28, false), "wire.provisional:" + job.wires[0].id), State::Fine);
}
TEST(WireList, LikePiecesAreCutTogether) {
    const Job job = jotted(withLamp(), {"lamp rear red", "resistor rear 2k2"});
    const auto cuts = cutList(wireList(factsOf(job)));
    const auto blue =
        std::find_if(cuts.begin(), cuts.end(), [](const Cut& cut) { return cut.colour == "blue"; });
    ASSERT_NE(blue, cuts.end());
    EXPECT_EQ(blue->wires.size(), 2U);
    EXPECT_EQ(blue->awg, 36);
    EXPECT_TRUE(cutList(wireList(factsOf(laid(28, false)))).size() <
                cutList(wireList(factsOf(withLamp()))).size());
}

}  // namespace
}  // namespace glimmet::core::wire
