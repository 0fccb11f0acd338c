// Lamps straight on the rails: bridge, capacitor, chips; drivers; bodies of resistors; strips.
#include "core/analysis/operating.h"
#include "core/analysis/rail_feed.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;

Job saloon(std::initializer_list<const char*> lines) {
    return tests::jotted(tests::newJob("Aurora", "saloon"), lines);
}
/// A table lamp and a blinking tail lamp behind a bridge.
Job blinking() {
    return saloon({"lamp table warm white for 2mA", "resistor table 4k7",
                   "lamp tail blink-red-3mm for 8mA", "resistor tail 1k", "rectifier silicon"});
}
Job steady() {
    return saloon({"lamp table warm white for 2mA", "resistor table 4k7", "rectifier silicon"});
}

TEST(RailFeed, IsOfLampsOnRailsWithoutADecoder) {
    EXPECT_TRUE(railFeed(factsOf(steady())).has_value());
    EXPECT_FALSE(railFeed(factsOf(tests::jotted(steady(), {"supply fixed dc"}))).has_value());
    EXPECT_FALSE(railFeed(factsOf(tests::jotted(steady(), {"supply battery"}))).has_value());
    EXPECT_FALSE(railFeed(factsOf(tests::jotted(steady(), {"decoder small"}))).has_value());
    EXPECT_FALSE(railFeed(factsOf(saloon({"rectifier silicon"}))).has_value());
    EXPECT_TRUE(railFeed(factsOf(tests::jotted(steady(), {"supply dc 12V"}))).has_value());
}

TEST(RailFeed, ALampBehindItsResistorLosesHalfOfItsLightInRCLn2) {
    const Job job = steady();
    const auto facts = factsOf(job);
    const auto feed = railFeed(facts);
    ASSERT_TRUE(feed);
    const GroupState& state = *facts.groups[0];
    const auto led = std::get<LedLaw>(*law(job.groups[0].rows[0].lamps[0].part));
    const double ohms = 4700 + led.slope(state.rows[0].current).value();
    const auto time = carriedFor(*feed, Farads{22e-6}, false, feed->half);
    ASSERT_TRUE(time);
    EXPECT_NEAR(time->value(), ohms * 22e-6 * std::log(2.0), 1e-9);
    // And back: the capacitance for that time.
    EXPECT_NEAR(capacitanceOver(*feed, *time, false, feed->half).value(), 22e-6, 1e-12);
    // The diode past a charge resistor takes its drop from the start.
    EXPECT_LT(*carriedFor(*feed, Farads{22e-6}, true, feed->half), *time);
}

TEST(RailFeed, BehindADriverTheCapacitorGivesACurrent) {
    const Job job = saloon({"lamp table warm white", "driver table 10mA", "rectifier silicon"});
    const JobAnalysis facts = factsOf(job);
    const auto feed = railFeed(facts);
    ASSERT_TRUE(feed);
    EXPECT_NEAR(feed->total.value(), 0.010, 1e-9);
    EXPECT_NEAR(feed->half.value(), facts.groups[0]->rows[0].led[0].value() + 2, 1e-9);
    // C = I·t/ΔV (handbook of the trade: 66 mA over 10 ms with 2 V of sag take 330 µF).
    const double sag = feed->bus.value() - feed->half.value();
    EXPECT_NEAR(capacitanceOver(*feed, Seconds{0.01}, false, feed->half).value(),
                0.010 * 0.01 / sag, 1e-9);
}

TEST(LampJudgement, LampsOnTheRailsWantACapacitor) {
    const auto none = checkedAll(steady());
    const Finding& flicker = finding(none, "lamp.flicker");
    EXPECT_EQ(flicker.state, State::Close);
    EXPECT_EQ(flicker.gravity, Gravity::CouldBeBetter);
    ASSERT_FALSE(flicker.options.empty());
    const Job mended = tests::jotted(steady(), {flicker.options[0].jot.c_str()});
    const auto after = checkedAll(mended);
    EXPECT_EQ(finding(after, "lamp.flicker").state, State::Fine);
    EXPECT_FALSE(has(after, "lamp.capacitor-volts"));
    EXPECT_FALSE(has(after, "lamp.capacitor-spike"));
    // Too little of it, it flickers still; as a ceramic one of the same print it has half.
    EXPECT_EQ(
        finding(checkedAll(tests::jotted(steady(), {"smoothing 2.2uF 25V"})), "lamp.flicker").state,
        State::Close);
    const auto feed = railFeed(factsOf(steady()));
    const double least = capacitanceOver(*feed, Seconds{0.01}, false, feed->half).value() * 1e6;
    const auto printed = [&](double uF, const char* kind) {
        const std::string line = "smoothing " + std::to_string(uF) + "uF 25V " + kind;
        return finding(checkedAll(tests::jotted(steady(), {line.c_str()})), "lamp.flicker").state;
    };
    EXPECT_EQ(printed(least / 0.8 * 1.01, ""), State::Fine);
    EXPECT_EQ(printed(least / 0.8 * 0.99, ""), State::Close);
    EXPECT_EQ(printed(least / 0.4 * 1.01, "ceramic"), State::Fine);
    EXPECT_EQ(printed(least / 0.4 * 0.99, "ceramic"), State::Close);
    // With no rails there is no dirt; before there is a bridge a capacitor does not help.
    EXPECT_FALSE(has(checkedAll(tests::jotted(steady(), {"supply fixed dc"})), "lamp.flicker"));
    const auto bare = checkedAll(
        saloon({"lamp table warm white", "resistor table 4k7", "smoothing 330uF 25V charge 47R"}));
    EXPECT_EQ(finding(bare, "lamp.flicker").state, State::Close);
    EXPECT_TRUE(finding(bare, "lamp.flicker").options.front().jot == "rectifier silicon");
}

TEST(LampJudgement, ABleedEmptiesTheCapacitorAndTakesItsShare) {
    const Job job = tests::jotted(steady(), {"smoothing 330uF 25V charge 47R", "bleed 10k"});
    const auto all = checkedAll(job);
    const Finding& one = finding(all, "lamp.bleed");
    EXPECT_EQ(one.state, State::Fine);
    // 14.03 V on 10 kΩ; 3.3 s down to a third, so 13.3 V are 1 V after ln 13.3 times that.
    EXPECT_NEAR(*figure(one, "P_bleed").value, 14.025 * 14.025 / 1e4, 1e-9);
    EXPECT_NEAR(*figure(one, "t_empty").value, 3.3 * std::log(13.3), 1e-9);
    const auto hot = checkedAll(tests::jotted(job, {"bleed 1k"}));
    EXPECT_EQ(finding(hot, "lamp.bleed").state, State::Close);
    EXPECT_EQ(finding(hot, "lamp.bleed").options.at(0).jot, "bleed 2200R");
    EXPECT_EQ(finding(checkedAll(tests::jotted(job, {"bleed 2200R"})), "lamp.bleed").state,
              State::Fine);
    EXPECT_FALSE(has(checkedAll(tests::jotted(job, {"bleed none"})), "lamp.bleed"));
    // It draws with the lamps, so less time is left to get over dirt.
    const auto carried = [](const Job& of) {
        const JobAnalysis facts = factsOf(of);
        return carriedFor(*railFeed(facts), Farads{330e-6}, true, Volts{8})->value();
    };
    EXPECT_LT(carried(tests::jotted(job, {"bleed 1k"})), carried(job));
    EXPECT_LT(carried(job), carried(tests::jotted(job, {"bleed none"})));
    // Another capacitor keeps it; without one there is nothing to empty.
    EXPECT_EQ(tests::jotted(job, {"smoothing 100uF 25V"}).supply.smoothing->bleed, Ohms{10e3});
    EXPECT_FALSE(applyLine("bleed 10k", steady(), smallCatalogue(), ""));
    EXPECT_FALSE(applyLine("bleed 10k none", job, smallCatalogue(), ""));
}

TEST(LampJudgement, ACapacitorBearsWhatItIsChargedTo) {
    const auto volts = [&](const char* smoothing) -> std::optional<State> {
        const auto all = checkedAll(tests::jotted(steady(), {smoothing}));
        if (!has(all, "lamp.capacitor-volts")) return {};
        return finding(all, "lamp.capacitor-volts").state;
    };
    // 14.5 V less 1.2 V, and 5 % of the track more: 14.03 V.
    EXPECT_EQ(volts("smoothing 47uF 14V"), State::Over);
    EXPECT_EQ(volts("smoothing 47uF 14.025V"), State::Close);  // just what it bears
    EXPECT_EQ(volts("smoothing 47uF 16V"), State::Close);
    EXPECT_EQ(volts("smoothing 47uF 17V"), State::Close);
    EXPECT_EQ(volts("smoothing 47uF 18V"), std::nullopt);
    EXPECT_EQ(volts("smoothing 47uF 20V ceramic"), State::Close);
    EXPECT_EQ(volts("smoothing 47uF 22V ceramic"), std::nullopt);
    EXPECT_EQ(volts("smoothing 47uF 25V tantalum"), State::Close);
    EXPECT_EQ(volts("smoothing 47uF 25V tantalum charge 47R"), std::nullopt);
    EXPECT_EQ(volts("smoothing 47uF 35V tantalum"), std::nullopt);
    const auto all = checkedAll(tests::jotted(steady(), {"smoothing 47uF 14V"}));
    const Finding& over = finding(all, "lamp.capacitor-volts");
    EXPECT_NE(plain(over.caution).find("polarity"), std::string::npos);
    EXPECT_EQ(over.options.at(0).jot, "smoothing 47uF 25V");
    EXPECT_FALSE(has(checkedAll(tests::jotted(steady(), {over.options[0].jot.c_str()})),
                     "lamp.capacitor-volts"));
}

TEST(LampJudgement, ACapacitorWithoutABridgeIsReversed) {
    const auto with = [](const char* supply, const char* smoothing) {
        return tests::jotted(tests::newJob("x", "house"),
                             {supply, "lamp door red on supply", "resistor door 1k", smoothing});
    };
    for (const char* turns : {"supply reversing dc 12V", "supply ac 12V", "supply dcc"}) {
        const Job job = with(turns, "smoothing 100uF 35V charge 47R");
        const auto all = checkedAll(job);
        const Finding& over = finding(all, "lamp.capacitor-volts");
        EXPECT_EQ(over.state, State::Over) << turns;
        EXPECT_TRUE(plain(over.sentence).starts_with("No bridge is before the capacitor")) << turns;
        EXPECT_NE(plain(over.caution).find("polarity"), std::string::npos);
        EXPECT_EQ(over.gravity, Gravity::PartDestroyed);
        ASSERT_EQ(over.options.size(), 1u);
        EXPECT_EQ(plain(over.options[0].what), "a bridge rectifier before the lamps");
        EXPECT_FALSE(has(checkedAll(tests::jotted(job, {over.options[0].jot.c_str()})),
                         "lamp.capacitor-volts"))
            << turns;
    }
    EXPECT_FALSE(has(checkedAll(with("supply fixed dc 12V", "smoothing 100uF 35V charge 47R")),
                     "lamp.capacitor-volts"));
    EXPECT_FALSE(has(checkedAll(with("supply ac 12V", "smoothing 1uF 50V ceramic")),
                     "lamp.capacitor-volts"));
    const auto said = [&](const char* supply) {
        return plain(
            applyLine("smoothing 100uF 25V", with(supply, "resistor door 1k"), smallCatalogue(), "")
                ->meaning);
    };
    EXPECT_EQ(said("supply ac 12V"),
              "Behind the lamps' bridge: 100 µF 25 V electrolytic; there is no bridge yet");
    EXPECT_EQ(said("supply fixed dc 12V"), "Behind the lamps' bridge: 100 µF 25 V electrolytic");
    // A bridge by its diodes is the lamps'; its drop is that of the motor's.
    EXPECT_TRUE(tests::jotted(with("supply ac 12V", "resistor door 1k"), {"bridge silicon"})
                    .supply.lampBridge.has_value());
    EXPECT_FALSE(applyLine("bridge silicon 0.7V", steady(), smallCatalogue(), ""));
    EXPECT_FALSE(applyLine("bridge none", steady(), smallCatalogue(), ""));
}

TEST(LampJudgement, ALargeCapacitorIsLimited) {
    EXPECT_FALSE(
        has(checkedAll(tests::jotted(steady(), {"smoothing 47uF 25V"})), "lamp.capacitor-spike"));
    const auto all = checkedAll(tests::jotted(steady(), {"smoothing 100uF 25V"}));
    const Finding& spike = finding(all, "lamp.capacitor-spike");
    EXPECT_EQ(spike.state, State::Close);
    EXPECT_NEAR(*figure(spike, "I_spike").value, 14.025, 1e-9);
    EXPECT_EQ(spike.options.at(0).jot, "smoothing 100uF 25V charge 47R");
    EXPECT_FALSE(has(checkedAll(tests::jotted(steady(), {spike.options[0].jot.c_str()})),
                     "lamp.capacitor-spike"));
}

TEST(LampJudgement, ABlinkerBeginsAnewWhereItsChipGetsNothing) {
    const auto state = [](const Job& job) {
        return finding(checkedAll(job), "lamp.blink:tail lamp").state;
    };
    const auto all = checkedAll(blinking());
    const Finding& never = finding(all, "lamp.blink:tail lamp");
    EXPECT_EQ(never.state, State::Over);
    EXPECT_EQ(never.gravity, Gravity::DoesNotWork);
    EXPECT_NE(plain(never.sentence).find("never blinks"), std::string::npos);
    ASSERT_EQ(never.options.size(), 2U);
    EXPECT_EQ(state(tests::jotted(blinking(), {never.options[0].jot.c_str()})), State::Fine);
    EXPECT_EQ(never.options[0].state, State::Fine);
    // The small one carries it over the edges only.
    EXPECT_EQ(never.options[1].state, State::Close);
    const auto small = checkedAll(tests::jotted(blinking(), {never.options[1].jot.c_str()}));
    EXPECT_EQ(finding(small, "lamp.blink:tail lamp").state, State::Close);
    EXPECT_NE(plain(finding(small, "lamp.blink:tail lamp").sentence).find("speck of dirt"),
              std::string::npos);
    // Without a bridge it is turned round as well; a capacitor alone does not help it.
    EXPECT_EQ(state(tests::jotted(blinking(), {"rectifier none"})), State::Over);
    // On plain DC there are no edges, on a supply that is always there no dirt either.
    EXPECT_EQ(state(tests::jotted(blinking(), {"supply dc 12V"})), State::Close);
    EXPECT_FALSE(
        has(checkedAll(tests::jotted(blinking(), {"supply fixed dc"})), "lamp.blink:tail lamp"));
    EXPECT_FALSE(has(checkedAll(steady()), "lamp.blink:table lamp"));
    // Other LEDs in its row take their share first.
    EXPECT_NEAR(chipNeeds(blinking().groups[1].rows[0])->value(), 1.8, 1e-12);
    const Job behind = tests::jotted(blinking(), {"inline tail red"});
    const auto needs = chipNeeds(behind.groups[1].rows[0]);
    const double red =
        voltageOf(*law(behind.groups[1].rows[0].lamps[1].part), Amperes{10e-6}).value();
    EXPECT_NEAR(needs->value(), 1.8 + red, 1e-12);
}

TEST(LampJudgement, FastFlashesAreWarnedOf) {
    const auto flashing = [](double perSecond, bool flickers = false) {
        Job job = blinking();
        job.groups[1].rows[0].lamps[0].part.blink->perSecond = perSecond;
        job.groups[1].rows[0].lamps[0].part.blink->flickers = flickers;
        return has(checkedAll(job), "lamp.flash:tail lamp");
    };
    EXPECT_FALSE(flashing(2.9));
    EXPECT_TRUE(flashing(3));
    EXPECT_TRUE(flashing(30));
    EXPECT_FALSE(flashing(31));
    EXPECT_FALSE(flashing(6, true));
    Job job = blinking();
    job.groups[1].rows[0].lamps[0].part.blink->perSecond = 4;
    job.groups[1].rows[0].lamps[0].part.id = "flash-red-3mm";
    const auto all = checkedAll(job);
    EXPECT_EQ(finding(all, "lamp.flash:tail lamp").gravity, Gravity::FirePeople);
    EXPECT_NE(plain(finding(all, "lamp.flash:tail lamp").sentence).find("4 times"),
              std::string::npos);
    // However many of a group flash, it is said once.
    Job two = job;
    two.groups[1].rows.push_back(two.groups[1].rows[0]);
    const auto both = checkedAll(two);
    EXPECT_EQ(std::count_if(both.begin(), both.end(),
                            [](const Finding& each) { return each.id.starts_with("lamp.flash"); }),
              1);
    // A slow one of its colour takes its place; of another colour none is offered.
    const std::vector<Option>& slower = finding(all, "lamp.flash:tail lamp").options;
    ASSERT_EQ(slower.size(), 1U);
    EXPECT_EQ(slower[0].jot, "lamp tail lamp blink-red-3mm");
    EXPECT_FALSE(plain(slower[0].what).empty());
    EXPECT_FALSE(
        has(checkedAll(tests::jotted(job, {slower[0].jot.c_str()})), "lamp.flash:tail lamp"));
    job.groups[1].rows[0].lamps[0].part.family = LedFamily::White;
    EXPECT_TRUE(finding(checkedAll(job), "lamp.flash:tail lamp").options.empty());
}

TEST(Blinking, IsShownOnlyWhereTheChipComesToIt) {
    const auto blinks = [](const Job& job) { return litWhen(factsOf(job), {}).back().blinks; };
    EXPECT_FALSE(blinks(blinking()));
    EXPECT_FALSE(litWhen(factsOf(blinking()), {}).front().blinks);
    EXPECT_TRUE(blinks(tests::jotted(blinking(), {"smoothing 1uF 25V"})));
    EXPECT_FALSE(blinks(tests::jotted(blinking(), {"smoothing 1uF 25V", "rectifier none"})));
    EXPECT_TRUE(blinks(tests::jotted(blinking(), {"supply dc 12V"})));
    EXPECT_TRUE(blinks(tests::jotted(blinking(), {"supply fixed dc 12V"})));
}
TEST(Blinking, NeverFlashesFasterThanTwiceASecondOnAScreen) {
    for (const double perSecond : {0.5, 1.5, 2.0, 4.0, 12.0}) {
        const BlinkChip chip{perSecond, false, Volts{1.8}};
        int flashes = 0;
        double lit = 0;
        for (int ms = 1; ms <= 20000; ++ms) {
            const double now = shines(chip, Seconds{ms / 1000.0});
            const double before = shines(chip, Seconds{(ms - 1) / 1000.0});
            EXPECT_TRUE(now < 0.5 ? now <= 0 : now >= 1);
            flashes += now > before;
            lit += now;
        }
        EXPECT_NEAR(flashes, 20 * std::min(perSecond, 2.0), 1) << perSecond;
        EXPECT_NEAR(lit / 20000, 0.5, 0.02);
    }
    const BlinkChip flame{7, true, Volts{1.8}};
    double least = 1, most = 0;
    for (int ms = 0; ms < 20000; ++ms) {
        const double now = shines(flame, Seconds{ms / 1000.0});
        least = std::min(least, now);
        most = std::max(most, now);
    }
    EXPECT_GT(least, 0.2);  // a flame does not go out
    EXPECT_LT(least, 0.45);
    EXPECT_LE(most, 1);
    EXPECT_GT(most, 0.85);
}

TEST(LampJudgement, TheWeakestLampOfARowCounts) {
    Job job = saloon(
        {"supply fixed dc 12V", "lamp table white", "inline table red", "resistor table 330"});
    job.groups[0].rows[0].lamps[0].part.limit = Amperes{0.3};
    job.groups[0].rows[0].lamps[1].part.limit = Amperes{0.012};
    EXPECT_NEAR(analysed(job, {}, smallCatalogue()).groups[0]->rows[0].limit.value(), 0.012, 1e-12);
    std::swap(job.groups[0].rows[0].lamps[0].part.limit, job.groups[0].rows[0].lamps[1].part.limit);
    EXPECT_NEAR(analysed(job, {}, smallCatalogue()).groups[0]->rows[0].limit.value(), 0.012, 1e-12);
}
TEST(LampJudgement, UltraVioletIsKeptFromEyes) {
    const auto caution = [](const char* colour) {
        const Job job =
            saloon({"supply fixed dc 12V", (std::string("lamp table ") + colour).c_str(),
                    "resistor table 1k"});
        return plain(finding(checkedAll(job), "lamp.current:table lamp").caution);
    };
    EXPECT_NE(caution("uv").find("do not look into it"), std::string::npos);
    EXPECT_EQ(caution("blue"), "");
}

TEST(GapChart, FollowsTheBusThroughAGap) {
    EXPECT_FALSE(gapChart(factsOf(tests::jotted(steady(), {"supply fixed dc"}))).has_value());
    EXPECT_FALSE(gapChart(factsOf(tests::jotted(steady(), {"rectifier none"}))).has_value());
    const auto none = gapChart(factsOf(blinking()));
    ASSERT_TRUE(none);
    EXPECT_EQ(none->dims, Seconds{0});
    EXPECT_EQ(none->chipTime, Seconds{0});
    EXPECT_DOUBLE_EQ(none->trace.back().light, 0);
    const auto chart = gapChart(factsOf(tests::jotted(blinking(), {"smoothing 22uF 25V"})));
    ASSERT_TRUE(chart);
    ASSERT_GT(chart->trace.size(), 20U);
    EXPECT_NEAR(chart->trace.front().bus.value(), chart->feed.bus.value(), 1e-9);
    for (std::size_t i = 1; i < chart->trace.size(); ++i) {
        EXPECT_LE(chart->trace[i].bus, chart->trace[i - 1].bus);
        EXPECT_LE(chart->trace[i].light, chart->trace[i - 1].light);
    }
    // Past a charge resistor the diode takes its drop from the first moment on.
    const auto past =
        gapChart(factsOf(tests::jotted(blinking(), {"smoothing 22uF 25V charge 47R"})));
    ASSERT_TRUE(past);
    EXPECT_NEAR(past->trace[0].bus.value(), past->feed.bus.value(), 1e-9);
    EXPECT_NEAR(past->trace[1].bus.value(), past->feed.bus.value() - 0.35, 1e-6);
    // Half of the light is where the trace says so.
    ASSERT_TRUE(chart->dims);
    const auto at = std::find_if(chart->trace.begin(), chart->trace.end(),
                                 [](const auto& moment) { return moment.light <= 0.5; });
    ASSERT_NE(at, chart->trace.end());
    EXPECT_LE((at - 1)->time, *chart->dims);
    EXPECT_GE(at->time, *chart->dims);
    EXPECT_GT(*chart->chipTime, *chart->dims);
}

// --- drivers -----------------------------------------------------------------------------------

TEST(Driver, KeepsItsCurrentAsLongAsItHasTheVolts) {
    const auto current = [](const Job& job) {
        return analysed(job, {}, smallCatalogue()).groups[0]->rows[0].current.value();
    };
    const Job one = saloon({"supply fixed dc 12V", "lamp table white", "driver table 10mA"});
    EXPECT_NEAR(current(one), 0.010, 1e-9);
    EXPECT_NEAR(current(tests::jotted(one, {"supply fixed dc 9V"})), 0.010, 1e-9);
    // 3.0 V at 10 mA and 2 V of its own: below five volts it gives what is left.
    const double low = current(tests::jotted(one, {"supply fixed dc 4.8V"}));
    EXPECT_GT(low, 0.001);
    EXPECT_LT(low, 0.010);
    const auto led = std::get<LedLaw>(*law(one.groups[0].rows[0].lamps[0].part));
    EXPECT_NEAR(led.voltage(Amperes{low}).value(), 2.8, 1e-6);
    // Rows side by side share it; alike they share it evenly.
    const Job two = tests::jotted(one, {"parallel table", "driver table 10mA"});
    EXPECT_NEAR(current(two), 0.005, 1e-9);
    EXPECT_NEAR(analysed(two, {}, smallCatalogue()).groups[0]->total.value(), 0.010, 1e-9);
}

TEST(Driver, IsJudged) {
    const auto of = [](std::initializer_list<const char*> lines) {
        Job job = saloon({"supply fixed dc 12V", "lamp table white"});
        return finding(checkedAll(tests::jotted(std::move(job), lines)), "lamp.driver:table lamp");
    };
    EXPECT_EQ(of({"driver table 10mA"}).state, State::Fine);
    EXPECT_NE(plain(of({"driver table 10mA"}).sentence).find("works"), std::string::npos);
    const Finding burns = of({"driver table 30mA"});
    EXPECT_EQ(burns.state, State::Over);
    EXPECT_EQ(burns.gravity, Gravity::PartDestroyed);
    EXPECT_EQ(burns.options.at(0).jot, "driver table lamp 20mA");
    EXPECT_EQ(of({burns.options[0].jot.c_str()}).state, State::Fine);
    // What two may share, then one alone: the steps go down as far as its limit asks.
    const auto offered = [&](double limit) {
        Job job = saloon({"supply fixed dc 12V", "lamp table white", "driver table 50mA"});
        job.groups[0].rows[0].lamps[0].part.limit = Amperes{limit};
        const Finding found = finding(checkedAll(job), "lamp.driver:table lamp");
        return found.options.empty() ? std::string() : found.options[0].jot;
    };
    EXPECT_EQ(offered(0.025), "driver table lamp 20mA");
    EXPECT_EQ(offered(0.019), "driver table lamp 15mA");
    EXPECT_EQ(offered(0.0135), "driver table lamp 10mA");
    EXPECT_EQ(offered(0.0124), "driver table lamp 5mA");
    EXPECT_EQ(offered(0.003), "driver table lamp 2mA");
    // Three whites and the driver want 11 V: the lowest place has 11.4 V; four leave nothing.
    EXPECT_EQ(of({"inline table", "inline table", "driver table 10mA"}).state, State::Fine);
    const Finding dims = of({"inline table", "inline table", "driver table 10mA dropout 2.8V"});
    EXPECT_EQ(dims.state, State::Close);
    EXPECT_NE(plain(dims.sentence).find("dims where the supply is lowest"), std::string::npos);
    const Finding starved =
        of({"inline table", "inline table", "inline table", "driver table 10mA"});
    EXPECT_EQ(starved.state, State::Over);
    EXPECT_EQ(starved.gravity, Gravity::DoesNotWork);
    EXPECT_NE(plain(starved.sentence).find("Put fewer in a row"), std::string::npos);
    // A red beside a white takes all of it.
    const Finding uneven = of({"parallel table red", "driver table 10mA"});
    EXPECT_EQ(uneven.state, State::Over);
    EXPECT_NE(plain(uneven.sentence).find("stays dark"), std::string::npos);
    EXPECT_EQ(uneven.options.at(0).jot, "series table lamp");
    EXPECT_EQ(of({"parallel table red", "driver table 10mA", "series table"}).state, State::Fine);
    EXPECT_EQ(of({"parallel table", "driver table 10mA"}).state, State::Fine);
    // Heat: 30 V less one LED's 3.1 V at 20 mA.
    const auto hot =
        checkedAll(saloon({"supply fixed dc 30V", "lamp table white", "driver table 20mA"}));
    EXPECT_EQ(finding(hot, "lamp.driver:table lamp").gravity, Gravity::FirePeople);
    EXPECT_NEAR(*figure(finding(hot, "lamp.driver:table lamp"), "P").value, 26.9 * 0.02, 1e-6);
    EXPECT_FALSE(has(hot, "lamp.current:table lamp"));
}

TEST(Driver, RowsThatComeToItAreConnected) {
    const Job one = saloon({"supply fixed dc 12V", "lamp table white", "driver table 10mA"});
    const Job two = tests::jotted(one, {"parallel table"});
    EXPECT_EQ(two.groups[0].rows[1].resistor, Ohms{0});
    EXPECT_EQ(finding(checkedAll(two), "lamp.driver:table lamp").state, State::Fine);
    // One that is not is asked for, not called uneven.
    Job open = two;
    open.groups[0].rows[1].resistor.reset();
    const auto all = checkedAll(open);
    const Finding& asked = finding(all, "lamp.driver:table lamp");
    EXPECT_EQ(asked.state, State::Ask);
    EXPECT_EQ(asked.options.at(0).jot, "resistor table lamp/2 none");
    EXPECT_EQ(finding(checkedAll(tests::jotted(open, {"resistor table/2 none"})),
                      "lamp.driver:table lamp")
                  .state,
              State::Fine);
    // On an output: beside it, or joined to it and from it.
    const Job shelf = tests::jotted(
        shunter(), {"lamp front white", "driver front 5mA", "lamp white on front called nose",
                    "lamp rear red", "resistor rear 2k2"});
    EXPECT_EQ(shelf.groups[0].rows[1].resistor, Ohms{0});
    EXPECT_EQ(tests::jotted(shelf, {"join rear lamp front lamp"}).groups[0].rows[2].resistor,
              Ohms{0});
    const Job other =
        tests::jotted(shunter(), {"lamp front white", "resistor front 1k", "lamp rear red",
                                  "driver rear 5mA", "join rear lamp front lamp"});
    EXPECT_FALSE(other.groups[0].rows[1].resistor);
    // A signal or 1.5 V feeds no driver either.
    const Job signal = tests::jotted(shelf, {"output front logic-level"});
    EXPECT_EQ(finding(checkedAll(signal), "lamp.output-kind:front lamp").state, State::Over);
    EXPECT_FALSE(has(checkedAll(signal), "lamp.driver:front lamp"));
}
TEST(Driver, ComesAndGoesByJot) {
    Job job = saloon({"lamp table white", "resistor table 1k", "driver table 10mA"});
    EXPECT_EQ(job.groups[0].rows[0].resistor, Ohms{0});
    ASSERT_TRUE(job.groups[0].driver());
    EXPECT_NEAR(job.groups[0].driver()->dropout.value(), 2, 1e-12);
    job = tests::jotted(job, {"driver table none"});
    EXPECT_FALSE(job.groups[0].driver());
    EXPECT_FALSE(job.groups[0].rows[0].resistor);
    const auto refused = [&](const char* line) {
        return !applyLine(line, job, smallCatalogue(), "").has_value();
    };
    EXPECT_TRUE(refused("driver table none"));
    EXPECT_TRUE(refused("driver table"));
    EXPECT_TRUE(refused("driver table 10mA none"));
    EXPECT_TRUE(refused("driver table 12A"));
    job = tests::jotted(job, {"bulb roof 16V 50mA"});
    EXPECT_TRUE(refused("driver roof 10mA"));
}

// --- one way -----------------------------------------------------------------------------------

TEST(OneWay, ADiodeLetsLampsOnPlainDcFollowTheDirection) {
    const Job bare = saloon({"supply dc 12V", "lamp tail red for 5mA", "resistor tail 1k8",
                             "lamp table white for 5mA", "resistor table 1k5"});
    const auto before = checkedAll(bare);
    const Finding& reverse = finding(before, "lamp.reverse:tail lamp");
    ASSERT_EQ(reverse.options.size(), 2U);
    EXPECT_EQ(reverse.options[1].jot, "oneway tail lamp");
    const Job one = tests::jotted(bare, {"oneway tail"});
    const auto after = checkedAll(one);
    EXPECT_FALSE(has(after, "lamp.reverse:tail lamp"));
    EXPECT_TRUE(has(after, "lamp.reverse:table lamp"));
    // 0.7 V less, in current, figure and glow alike.
    const GroupState with = *groupState(one, one.groups[0], {});
    const GroupState without = *groupState(bare, bare.groups[0], {});
    EXPECT_NEAR((without.drive - with.drive).value(), 0.7, 1e-12);
    EXPECT_LT(with.rows[0].current, without.rows[0].current);
    EXPECT_NEAR((with.glowFrom - without.glowFrom).value(), 0.7, 1e-9);
    const Finding& works = finding(after, "lamp.current:tail lamp");
    EXPECT_NE(works.figures.front().formula.find("− V_diode"), std::string::npos);
    EXPECT_NEAR(*figure(works, "V_diode").value, 0.7, 1e-12);
    // The tail lamp is lit while that end is the last but one goes backwards.
    const auto lit = [&](const Job& job, bool forward) {
        Operating driven;
        driven.everything = false;
        driven.forward = forward;
        return litWhen(factsOf(job), driven).front().brightness > 0;
    };
    EXPECT_TRUE(lit(one, false));
    EXPECT_FALSE(lit(one, true));
    EXPECT_TRUE(lit(bare, true));
    EXPECT_TRUE(litWhen(factsOf(one), {}).front().brightness > 0);
    // A diode alone wants no capacitor; where nothing turns round it is none.
    EXPECT_FALSE(has(checkedAll(tests::jotted(one, {"remove table"})), "lamp.flicker"));
    // A bridge for the others takes nothing of it: it hangs before that.
    const Job both = tests::jotted(one, {"rectifier silicon", "smoothing 47uF 25V"});
    EXPECT_TRUE(oneWayOnly(both, both.groups[0]));
    EXPECT_FALSE(has(checkedAll(both), "lamp.reverse:table lamp"));
    EXPECT_FALSE(has(checkedAll(both), "lamp.reverse:tail lamp"));
    const GroupState beside = *groupState(both, both.groups[0], {});
    EXPECT_NEAR(beside.drive.value(), 11.3, 1e-12);
    EXPECT_NEAR(beside.bus.value(), 12, 1e-12);
    EXPECT_NEAR(groupState(both, both.groups[1], {})->bus.value(), 10.8, 1e-12);
    EXPECT_TRUE(finding(checkedAll(both), "lamp.current:tail lamp")
                    .figures.front()
                    .formula.starts_with("(V_track − V_diode"));
    EXPECT_FALSE(lit(both, true));
    EXPECT_NEAR(railFeed(factsOf(both))->total.value(),
                groupState(both, both.groups[1], {})->total.value(), 1e-12);
    // Its chip has nothing half of the time on digital track, and all it wants on plain DC.
    Job chip = tests::jotted(both, {"lamp tail blink-red-3mm"});
    EXPECT_TRUE(litWhen(factsOf(chip), {}).front().blinks);
    chip = tests::jotted(chip, {"supply dcc"});
    EXPECT_FALSE(litWhen(factsOf(chip), {}).front().blinks);
    EXPECT_FALSE(oneWayOnly(tests::jotted(one, {"supply fixed dc"}), one.groups[0]));
    EXPECT_FALSE(tests::jotted(one, {"oneway tail none"}).groups[0].oneWay);
    const auto heard =
        applyLine("oneway tail", tests::jotted(one, {"supply fixed dc"}), smallCatalogue(), "");
    EXPECT_NE(plain(heard->meaning).find("changes nothing"), std::string::npos);
    // On digital track it is not offered: half of the light, and a flicker.
    EXPECT_EQ(finding(checkedAll(tests::jotted(bare, {"supply dcc"})), "lamp.reverse:tail lamp")
                  .options.size(),
              1U);
}

// --- bodies of resistors, strips, lamps with their own resistor ----------------------------------

TEST(ResistorPackage, IsJudgedByWhatItBears) {
    const auto state = [](const char* line) -> std::optional<State> {
        // 83 mW: 12 V less a white LED over 1 kΩ.
        Job job = saloon({"supply fixed dc 12V", "lamp table white", "resistor table 1k"});
        const auto all = checkedAll(tests::jotted(std::move(job), {line}));
        if (!has(all, "lamp.package:table lamp")) return {};
        return finding(all, "lamp.package:table lamp").state;
    };
    EXPECT_EQ(state("package table 0402"), State::Over);
    EXPECT_EQ(state("package table 0603"), State::Close);
    EXPECT_EQ(state("package table 0805"), State::Close);
    EXPECT_EQ(state("package table 1/4W"), std::nullopt);
    EXPECT_EQ(state("package table open"), std::nullopt);
    // Half of what it bears is enough in hand, a little more than half is not.
    const auto stateAt = [](double watts) -> std::optional<State> {
        Job one = saloon({"supply fixed dc 12V", "lamp table white", "package table 0805"});
        LampGroup& group = one.groups[0];
        group.rows[0].resistor = Ohms{1000};
        const double now = groupState(one, group, {})->rows[0].resistorPower.value();
        group.rows[0].resistor = Ohms{1000 * now / watts};
        for (int i = 0; i < 30; ++i) {
            const double heat = groupState(one, group, {})->rows[0].resistorPower.value();
            group.rows[0].resistor = *group.rows[0].resistor * (heat / watts);
        }
        const auto found = checkedAll(one);
        if (!has(found, "lamp.package:table lamp")) return {};
        return finding(found, "lamp.package:table lamp").state;
    };
    const double bears = rating(ResistorPackage::Chip0805).value();
    EXPECT_EQ(stateAt(bears * 0.49), std::nullopt);
    EXPECT_EQ(stateAt(bears * 0.52), State::Close);
    EXPECT_EQ(stateAt(bears * 0.99), State::Close);
    EXPECT_EQ(stateAt(bears * 1.01), State::Over);
    Job job = saloon(
        {"supply fixed dc 12V", "lamp table white", "resistor table 1k", "package table 0402"});
    const auto all = checkedAll(job);
    const Finding& chars = finding(all, "lamp.package:table lamp");
    EXPECT_NE(plain(chars.sentence).find("83 mW"), std::string::npos);
    EXPECT_EQ(chars.options.at(0).jot, "package table lamp 1206");
    EXPECT_FALSE(has(checkedAll(tests::jotted(job, {chars.options[0].jot.c_str()})),
                     "lamp.package:table lamp"));
}

TEST(ResistorPackage, BodiesFollowTheHeat) {
    EXPECT_EQ(resistorBody(Watts{0.02}), "1/8 W or 0402");
    EXPECT_EQ(resistorBody(Watts{0.04}), "1/8 W or 0603");
    EXPECT_EQ(resistorBody(Watts{0.05}), "1/8 W or 0805");
    EXPECT_EQ(resistorBody(Watts{0.0625}), "1/8 W or 1206");
    EXPECT_EQ(resistorBody(Watts{0.1}), "1/4 W or 1206");
    EXPECT_EQ(resistorBody(Watts{0.125}), "1/4 W");
    EXPECT_EQ(resistorBody(Watts{0.2}), "1/2 W");
    EXPECT_EQ(resistorBody(Watts{0.5}), "1 W");
    EXPECT_EQ(resistorBody(Watts{0.6}), "2 W or more");
    EXPECT_EQ(shown(ResistorPackage::Quarter), "1/4 W");
    EXPECT_EQ(shown(ResistorPackage::Chip0805), "0805");
}

TEST(Strip, IsCutWhereItMayBe) {
    const Job job =
        saloon({"supply fixed dc 12V", "strip strip-warm-white-12v 160mm called saloon light"});
    ASSERT_EQ(job.groups.size(), 1U);
    const LampGroup& strip = job.groups[0];
    ASSERT_EQ(strip.rows.size(), 3U);
    EXPECT_EQ(strip.output, supplyOutput);
    const auto x = [&](std::size_t row) {
        return strip.rows[row].lamps[0].fitted.pose.at.x.value();
    };
    EXPECT_NEAR(x(1) - x(0), 50, 1e-9);
    EXPECT_NEAR(x(2) - x(1), 50, 1e-9);
    EXPECT_NEAR(x(1), body(job).length.value() / 2, 1e-9);
    // At its rated volts it needs no resistor and takes what it is rated for.
    EXPECT_EQ(strip.rows[0].resistor, Ohms{0});
    EXPECT_NEAR(analysed(job, {}, smallCatalogue()).groups[0]->rows[0].current.value(), 0.02, 1e-6);
    EXPECT_EQ(finding(checkedAll(job), "lamp.current:saloon light/1").state, State::Fine);
    // On 16 V it wants one; one line serves every section.
    const Job hot =
        saloon({"supply fixed dc 16V", "strip strip-warm-white-12v 100mm called saloon light"});
    const auto all = checkedAll(hot);
    const Finding& wants = finding(all, "lamp.current:saloon light/1");
    EXPECT_EQ(wants.state, State::Ask);
    // Sections alike are asked about once.
    EXPECT_EQ(plain(wants.sentence).find("Saloon light: 2 rows have no resistor yet"), 0U)
        << plain(wants.sentence);
    EXPECT_FALSE(has(all, "lamp.current:saloon light/2"));
    const auto unlike = checkedAll(
        jotted(saloon({"supply fixed dc 16V"}), {"lamp table white", "parallel table red"}));
    EXPECT_TRUE(has(unlike, "lamp.current:table lamp/1"));
    EXPECT_TRUE(has(unlike, "lamp.current:table lamp/2"));
    ASSERT_FALSE(wants.options.empty());
    const auto after = checkedAll(tests::jotted(hot, {wants.options[0].jot.c_str()}));
    EXPECT_EQ(finding(after, "lamp.current:saloon light/1").state, State::Fine);
    // Fine alike they are told once.
    EXPECT_NE(
        plain(finding(after, "lamp.current:saloon light/1").sentence).find("So does the next row."),
        std::string::npos)
        << plain(finding(after, "lamp.current:saloon light/1").sentence);
    EXPECT_FALSE(has(after, "lamp.current:saloon light/2"));
    // Beside another lamp on its output it has that one's wish.
    const Job beside = tests::jotted(
        shunter(), {"lamp cab white on 1", "strip strip-warm-white-12v 100mm on 1 called glow"});
    ASSERT_EQ(beside.groups.back().rows.size(), 3U);
    EXPECT_NEAR(beside.groups.back().wish.target.value(), 0.005, 1e-12);
    EXPECT_NEAR(strip.wish.target.value(), 0.02, 1e-12);
    const Job empty = saloon({});
    EXPECT_FALSE(
        applyLine("strip strip-warm-white-12v 40mm called s", empty, smallCatalogue(), ""));
    EXPECT_FALSE(applyLine("strip strip-warm-white-12v called s", empty, smallCatalogue(), ""));
    EXPECT_FALSE(applyLine("strip warm-white-3mm 100mm called s", empty, smallCatalogue(), ""));
}

TEST(Strip, ItsLimitIsHalfMoreThanItsRating) {
    const Job job =
        saloon({"supply fixed dc 14.2V", "strip strip-warm-white-12v 50mm called saloon light",
                "resistor saloon light none"});
    EXPECT_EQ(finding(checkedAll(job), "lamp.current:saloon light").state, State::Over);
    EXPECT_NEAR(currentLimit(job.groups[0].rows[0].lamps[0].part).value(), 0.03, 1e-9);
    // Behind a resistor that doubles its own it is dim: the first remedy is none at all.
    const Job doubled =
        saloon({"supply fixed dc 12V", "strip strip-warm-white-12v 50mm called saloon light",
                "resistor saloon light 2k2"});
    const auto all = checkedAll(doubled);
    const Finding& dim = finding(all, "lamp.current:saloon light");
    EXPECT_NE(dim.state, State::Fine);
    EXPECT_EQ(dim.options.at(0).jot, "resistor saloon light none");
}

TEST(CataloguedBulb, IsFittedByItsName) {
    Catalogue more = smallCatalogue();
    LampPart bulb;
    bulb.id = "bulb-16v-50ma";
    bulb.name = "bulb 16 V 50 mA";
    bulb.filament = FilamentRating{Volts{16}, Amperes{0.05}};
    more.lamps.push_back(bulb);
    Job job = saloon({"lamp table white", "resistor table 1k"});
    const auto first = applyLine("lamp table bulb-16v-50ma", job, more, "");
    ASSERT_TRUE(first) << plain(first.error().what);
    EXPECT_TRUE(first->after.groups[0].isBulbs());
    EXPECT_EQ(first->after.groups[0].rows[0].resistor, Ohms{0});
    EXPECT_FALSE(
        applyLine("lamp table bulb-16v-50ma for 3mA", tests::newJob("x", "saloon"), more, ""));
    EXPECT_FALSE(applyLine("lamp table bulb-16v-50ma for 3mA", job, more, ""));
    const auto second = applyLine("lamp roof bulb-16v-50ma", job, more, "");
    ASSERT_TRUE(second) << plain(second.error().what);
    EXPECT_TRUE(second->after.groups[1].isBulbs());
    EXPECT_EQ(second->after.groups[1].rows[0].resistor, Ohms{0});
}

}  // namespace
}  // namespace glimmet::core
