// Filament bulbs: their law, what they come to on an output, how they are judged and entered.
#include "core/analysis/lamps/lamp_netlist.h"
#include "core/analysis/operating.h"
#include "core/led/lamp_circuit.h"
#include "core/led/lamp_law.h"
#include "core/work/lamps/lamps.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using tests::factsOf;
using tests::jotted;
using tests::shunter;

const FilamentRating bulb{Volts{16}, Amperes{0.05}};

TEST(FilamentLaw, GoesThroughItsRatingAndRisesWithTheRootOfItsVolts) {
    EXPECT_NEAR(currentAt(bulb, Volts{16}).value(), 0.05, 1e-9);
    EXPECT_NEAR(voltageOf(bulb, Amperes{0.05}).value(), 16, 1e-6);
    // V ∝ T^2.6 and I ∝ T^1.4 far above ambient: I ∝ V^0.538.
    EXPECT_NEAR(currentAt(bulb, Volts{8}).value(), 0.05 * std::pow(0.5, 1.4 / 2.6), 0.05 * 0.004);
    for (const double volts : {0.2, 1.0, 5.0, 13.3, 22.0}) {
        EXPECT_NEAR(voltageOf(bulb, currentAt(bulb, Volts{volts})).value(), volts, volts * 1e-8);
    }
    EXPECT_EQ(voltageOf(bulb, Amperes{0}).value(), 0);
    EXPECT_NEAR(coldResistance(bulb).value(), 32, 1e-9);
    // Nearly cold it is nearly that.
    EXPECT_NEAR((Volts{0.01} / currentAt(bulb, Volts{0.01})).value(), 32, 0.3);
}
TEST(FilamentLaw, LightAndLifeHangOnTheVolts) {
    EXPECT_NEAR(filamentLight(bulb, Volts{16}), 1, 1e-12);
    EXPECT_NEAR(filamentLight(bulb, Volts{8}), 0.0947, 1e-4);    // 0.5^3.4
    EXPECT_NEAR(filamentLife(bulb, Volts{16.8}), 0.5303, 1e-4);  // 1.05^-13
}
TEST(FilamentLaw, TheEngineSolvesIt) {
    // 24 Ω behind 16 V + 24 Ω · 50 mA: its rated volts.
    LampCircuit circuit;
    circuit.strings.push_back({{bulb}, Ohms{24}});
    const auto solution = solved(circuit, Volts{17.2});
    ASSERT_TRUE(solution.has_value());
    EXPECT_NEAR(solution->total.value(), 0.05, 1e-8);
    EXPECT_NEAR(solution->lamp[0][0].value(), 16, 1e-6);
    // Beside LEDs and in a row each part has its own volts.
    circuit.strings.push_back({{typicalLaw(LedFamily::Red), bulb}, Ohms{100}});
    circuit.common = Ohms{10};
    const auto mixed = solved(circuit, Volts{12});
    ASSERT_TRUE(mixed.has_value());
    for (std::size_t k = 0; k < 2; ++k) {
        double sum =
            (mixed->total * circuit.common + mixed->current[k] * circuit.strings[k].resistor)
                .value();
        for (std::size_t i = 0; i < circuit.strings[k].lamps.size(); ++i) {
            EXPECT_NEAR(mixed->lamp[k][i].value(),
                        voltageOf(circuit.strings[k].lamps[i], mixed->current[k]).value(), 1e-5);
            sum += mixed->lamp[k][i].value();
        }
        EXPECT_NEAR(sum, 12, 1e-6);
    }
    EXPECT_EQ(solved(circuit, Volts{0})->total.value(), 0);
}

std::string answer(const char* line, const Job& job) {
    const auto said = applyLine(line, job, tests::smallCatalogue(), "2026-03-02");
    return said ? plain(said->meaning) : "✗ " + plain(said.error().what);
}
/// 14.5 V of track: 13.2 V at the bulb.
Job lit(std::initializer_list<const char*> lines) {
    return jotted(jotted(shunter(), {"decoder four-wire-1.0"}), lines);
}
struct Seen {
    State state{};
    Gravity gravity{};
    std::string words;
    std::vector<Option> options;
    std::string caution;
};
Seen seen(const Job& job, const std::string& id) {
    for (const Finding& one : findings(factsOf(job))) {
        if (one.id == id || one.id.starts_with(id + ":")) {
            return {one.state, one.gravity, plain(one.sentence), one.options, plain(one.caution)};
        }
    }
    return {State::Ask, {}, "nothing", {}, {}};
}

TEST(Bulbs, AreJudgedByTheirVolts) {
    const Seen fine = seen(lit({"bulb cab 16V 50mA"}), "lamp.bulb");
    EXPECT_EQ(fine.state, State::Fine);
    EXPECT_EQ(fine.words, "Cab lamp works: 13.2 V of its 16 V, 45.1 mA; 52 % of its rated light.");
    EXPECT_TRUE(fine.caution.starts_with("A bulb gets hot"));
    EXPECT_EQ(seen(lit({"bulb cab 16V 10mA"}), "lamp.bulb").caution, "");

    const Seen weary = seen(lit({"bulb cab 12V 50mA"}), "lamp.bulb");
    EXPECT_EQ(weary.state, State::Close);
    EXPECT_EQ(weary.words, "Cab lamp has 13.2 V on a bulb for 12 V: it lives 29 % of its time.");
    ASSERT_FALSE(weary.options.empty());
    EXPECT_EQ(weary.options[0].jot, "resistor cab lamp 27R");
    EXPECT_EQ(
        seen(jotted(lit({"bulb cab 12V 50mA"}), {"resistor cab lamp 27R"}), "lamp.bulb").state,
        State::Fine);

    const Seen burns = seen(lit({"bulb cab 10V 50mA"}), "lamp.bulb");
    EXPECT_EQ(burns.state, State::Over);
    EXPECT_EQ(burns.gravity, Gravity::PartDestroyed);
    EXPECT_EQ(burns.words, "Cab lamp burns out soon: up to 13.9 V on a bulb for 10 V.");
    EXPECT_EQ(
        seen(jotted(lit({"bulb cab 10V 50mA"}), {burns.options.at(0).jot.c_str()}), "lamp.bulb")
            .state,
        State::Fine);
    // Another way out is an LED; of one that works nobody wants that.
    ASSERT_EQ(burns.options.size(), 2U);
    EXPECT_EQ(burns.options[1].jot, "lamp cab lamp warm white");
    const Job cool = jotted(lit({"bulb cab 10V 50mA"}), {burns.options[1].jot.c_str()});
    EXPECT_FALSE(cool.groups[0].isBulbs());
    EXPECT_EQ(seen(cool, "lamp.current").state, State::Ask);
    EXPECT_TRUE(fine.options.empty());
    // Just what its volts bear.
    EXPECT_EQ(seen(lit({"bulb cab 12.6V 50mA"}), "lamp.bulb").state, State::Fine);
    EXPECT_EQ(seen(lit({"bulb cab 12.5V 50mA"}), "lamp.bulb").state, State::Close);
    EXPECT_EQ(seen(lit({"bulb cab 10.8V 50mA"}), "lamp.bulb").state, State::Close);
    EXPECT_EQ(seen(lit({"bulb cab 10.6V 50mA"}), "lamp.bulb").state, State::Over);
}
TEST(Bulbs, TooFewVoltsLeaveThemDimOrDark) {
    const Seen dim = seen(lit({"bulb cab 24V 50mA"}), "lamp.bulb");
    EXPECT_EQ(dim.state, State::Close);
    EXPECT_EQ(dim.words,
              "Cab lamp only glimmers: 13.2 V on a bulb for 24 V give 13 % of its light.");
    EXPECT_EQ(seen(lit({"bulb cab 22V 50mA"}), "lamp.bulb").state, State::Fine);
    const Job behind = lit({"bulb cab 16V 50mA", "resistor cab 1k"});
    const Seen dark = seen(behind, "lamp.bulb");
    EXPECT_EQ(dark.state, State::Over);
    EXPECT_TRUE(dark.words.starts_with("Cab lamp stays dark: ")) << dark.words;
    EXPECT_EQ(dark.options.at(0).jot, "resistor cab lamp none");
    EXPECT_EQ(seen(jotted(behind, {"resistor cab none"}), "lamp.bulb").state, State::Fine);
    const Seen open = seen(lit({"bulb cab 16V 50mA", "resistor cab open"}), "lamp.bulb");
    EXPECT_EQ(open.state, State::Ask);
    EXPECT_EQ(open.options.at(0).jot, "resistor cab lamp none");
}
TEST(Bulbs, ColdOnesLookLikeAShort) {
    // 13.2 V / 32 Ω = 413 mA; two of them 825 mA, above three times 200 mA.
    EXPECT_EQ(seen(lit({"bulb cab 16V 50mA"}), "lamp.inrush").words, "nothing");
    const Job two = lit({"bulb cab 16V 50mA", "parallel cab"});
    const Seen inrush = seen(two, "lamp.inrush");
    EXPECT_EQ(inrush.state, State::Close);
    EXPECT_EQ(inrush.words,
              "Cold, cab lamp draws 830 mA for a moment, and output 1 is made for 200 mA: its "
              "protection may take that for a short.");
    ASSERT_EQ(inrush.options.size(), 1U);
    EXPECT_EQ(seen(jotted(two, {inrush.options[0].jot.c_str()}), "lamp.inrush").words, "nothing");
    // What carries too much for long, or burns out, says that.
    EXPECT_EQ(seen(lit({"bulb cab 16V 150mA", "parallel cab"}), "lamp.inrush").words, "nothing");
    EXPECT_EQ(seen(lit({"bulb cab 16V 150mA", "parallel cab"}), "lamp.output-current").state,
              State::Over);
    EXPECT_EQ(seen(lit({"bulb cab 6V 150mA"}), "lamp.inrush").words, "nothing");
}
TEST(Bulbs, AreAskedForTheBoard) {
    const Job job = jotted(shunter(), {"decoder board", "bulb front 16V 50mA"});
    const Seen asked = seen(job, "lamp.output");
    EXPECT_EQ(asked.state, State::Ask);
    ASSERT_EQ(asked.options.size(), 3U);
    EXPECT_EQ(asked.options[0].jot, "output front bare");
    EXPECT_EQ(asked.options[0].state, State::Fine);
    EXPECT_EQ(asked.options[1].jot, "output front 470R");
    EXPECT_EQ(asked.options[1].state, State::Over);
    EXPECT_EQ(seen(job, "lamp.bulb").words, "nothing");
    EXPECT_EQ(seen(jotted(job, {"output front bare"}), "lamp.bulb").state, State::Fine);
}
TEST(Bulbs, LightEitherWayRoundOnAReversingSupply) {
    const Job house =
        jotted(tests::newJob("x", "saloon"), {"bulb 16V 50mA on supply called lounge"});
    EXPECT_EQ(seen(house, "lamp.reverse").words, "nothing");
    EXPECT_EQ(seen(house, "lamp.bulb").state, State::Fine);
}
TEST(Bulbs, AnOutputForThemGivesOneAndAHalfVolts) {
    Job job = lit({"bulb cab 1.5V 60mA on 1"});
    for (DecoderOutput& output : job.decoder->part.outputs) {
        if (output.name == "1") output.kind = OutputKind::LampSupply;
    }
    const Seen fine = seen(job, "lamp.bulb");
    EXPECT_EQ(fine.state, State::Fine);
    EXPECT_EQ(fine.words, "Cab lamp works: 1.5 V of its 1.5 V, 60 mA; 100 % of its rated light.");
    for (DecoderOutput& output : job.decoder->part.outputs) {
        if (output.name == "1") output.kind = OutputKind::LogicLevel;
    }
    EXPECT_EQ(seen(job, "lamp.output-kind").state, State::Over);
}
TEST(Bulbs, GlowInTheDarkByTheirVolts) {
    const Job job = lit({"bulb cab 16V 50mA"});
    Operating operating;
    const auto at = [&](double volts) {
        operating.volts = Volts{volts};
        return litWhen(factsOf(job), operating).at(0).brightness;
    };
    EXPECT_NEAR(at(17.3), std::cbrt(0.5), 0.01);  // 16 V at the bulb
    EXPECT_NEAR(at(14.5), std::cbrt(0.5 * std::pow(13.2 / 16, 3.4)), 0.01);
    EXPECT_LT(at(9), at(14.5) / 1.5);
    EXPECT_EQ(at(4), 0);  // the decoder is out
    // It begins to glow at a quarter of its volts; before that the decoder is out.
    EXPECT_NEAR(factsOf(job).groups[0]->glowFrom.value(), 4 + 1.3, 0.02);
}
TEST(Bulbs, AreEnteredAndChangedByLines) {
    EXPECT_EQ(answer("bulb cab 16V 50mA", shunter()),
              "New lamp: cab lamp, 16 V 50 mA bulb, on output 1");
    EXPECT_EQ(answer("bulb 50mA 16V on rear called attic glow", shunter()),
              "New lamp: attic glow, 16 V 50 mA bulb, on output rear");
    for (const char* const line : {"bulb cab", "bulb cab 16V", "bulb cab 50mA", "bulb 16V 50mA",
                                   "bulb cab 16V 50A", "bulb cab 16V 50mA red"}) {
        EXPECT_TRUE(answer(line, shunter()).starts_with("✗")) << line;
    }
    // One kind on an output.
    const Job led = jotted(shunter(), {"lamp cab white on 1", "resistor cab 1k", "lamp front red"});
    EXPECT_EQ(answer("bulb 16V 50mA on 1 called attic", led),
              "✗ cab lamp is an LED: a bulb beside it needs an output of its own.");
    // In the place of an LED it gets all volts, and back an LED asks for its resistor.
    EXPECT_EQ(answer("bulb cab 16V 50mA", led), "cab lamp: 16 V 50 mA bulb, no resistor");
    const Job changed = jotted(led, {"bulb cab 16V 50mA"});
    EXPECT_EQ(changed.groups[0].rows[0].resistor, Ohms{0});
    EXPECT_EQ(answer("lamp amber on 1 called attic", changed),
              "✗ cab lamp is a filament bulb: an LED beside it needs an output of its own.");
    EXPECT_EQ(answer("parallel cab red", changed),
              "✗ cab lamp is a filament bulb: an LED beside it needs an output of its own.");
    EXPECT_EQ(answer("join cab front", changed),
              "✗ cab lamp is a filament bulb: an LED beside it needs an output of its own.");
    EXPECT_TRUE(answer("tester cab lit", changed).starts_with("✗ 9 V behind 1 kΩ light no bulb"));
    EXPECT_EQ(answer("lamp cab red", changed),
              "cab lamp: an LED where a bulb was: choose its resistor; red LED");
    const Job back = jotted(changed, {"lamp cab red"});
    EXPECT_FALSE(back.groups[0].rows[0].resistor.has_value());
    EXPECT_FALSE(back.groups[0].isBulbs());
    EXPECT_TRUE(answer("lamp cab 2V 20mA", changed).starts_with("✗ cab lamp is a bulb"));
    // Another like it beside it.
    EXPECT_EQ(answer("parallel cab", changed), "16 V 50 mA bulb parallel to cab lamp");
    EXPECT_TRUE(answer("wired cab 16V 50mA 8V 34mA", led).find("bulb cab lamp 16 V 50 mA.") !=
                std::string::npos)
        << answer("wired cab 16V 50mA 8V 34mA", led);
}
TEST(Bulbs, ANetlistHasTheResistanceTheyWorkAt) {
    const Job job = lit({"bulb cab 16V 50mA"});
    const auto netlist = lamps::lampNetlist(job, job.groups[0], {});
    ASSERT_TRUE(netlist.has_value());
    const auto& resistors = netlist->circuit.resistors;
    const auto hot = std::find_if(resistors.begin(), resistors.end(),
                                  [](const auto& each) { return each.name == "bulb1"; });
    ASSERT_NE(hot, resistors.end());
    EXPECT_NEAR(hot->resistance.value(), 13.2 / 0.0451, 0.5);
}

}  // namespace
}  // namespace glimmet::core
