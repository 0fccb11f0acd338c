// Cells in series, clamps, terminals, wiring of a bank, and what else comes of it.
#include "core/analysis/stay_alive/consequences.h"
#include "core/stay_alive/cells.h"
#include "core/work/stay_alive/bank_options.h"
#include "core/work/stay_alive/bank_wiring.h"
#include "core/work/stay_alive/judge_fitting.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;
using stay_alive::ClampState;
using stay_alive::Consequence;

TEST(Cells, ShareByTheirCapacitance) {
    // Of two, one a tenth less and one a tenth more: 1/0.9 against 1/1.1.
    EXPECT_NEAR(highestCell(Volts{10}, 2, 0.1).value(), 10 * 1.1 / 2.0, 1e-12);
    EXPECT_NEAR(highestCell(Volts{10}, 1, 0.1).value(), 10, 1e-12);
    EXPECT_NEAR(highestCell(Volts{12}, 6, 0).value(), 2, 1e-12);
    // By hand: V · (1/0.9) / (1/0.9 + 5/1.1).
    EXPECT_NEAR(highestCell(Volts{14}, 6).value(), 14 / 0.9 / (1 / 0.9 + 5 / 1.1), 1e-12);
}

TEST(Cells, OddsLieBetweenNeverAndAlways) {
    // Below what every cell bears in the worst case never, above the even share of all always.
    EXPECT_EQ(overloadedShare(Volts{12}, 6, highestCell(Volts{12}, 6)), 0);
    EXPECT_EQ(overloadedShare(Volts{12}, 6, Volts{1.99}), 1);
    const double half = overloadedShare(Volts{12}, 6, Volts{2.12});
    EXPECT_GT(half, 0.1);
    EXPECT_LT(half, 0.9);
    EXPECT_EQ(overloadedShare(Volts{12}, 6, Volts{2.12}), half);  // the same seed
    // Two cells: one gets more than b of V where C2/C1 > b/(V − b); of even draws by the integral.
    const double exact = [] {
        const double ratio = 5.2 / 4.8;
        int over = 0, all = 0;
        for (int i = 0; i < 400; ++i) {
            for (int k = 0; k < 400; ++k, ++all) {
                const double a = 0.9 + 0.2 * (i + 0.5) / 400, b = 0.9 + 0.2 * (k + 0.5) / 400;
                over += std::max(a / b, b / a) > ratio ? 1 : 0;
            }
        }
        return static_cast<double>(over) / all;
    }();
    EXPECT_NEAR(overloadedShare(Volts{10}, 2, Volts{5.2}, 0.1, 20000), exact, 0.01);
}

/// The shunter with a decoder and a bank of six cells.
Job cells(double rated, std::initializer_list<const char*> lines = {}) {
    Job job = jotted(
        jotted(shunter(), {"decoder middle", "bank cells-100m-16 charge 100R diode 0.35V"}), lines);
    job.bank->part.inSeries = 6;
    job.bank->part.rated = Volts{rated};
    return job;
}

TEST(Cells, WithoutBalanceAreJudgedByTheirOdds) {
    // 14.5 V of track, 13.3 on the bus, 14 at the most.
    EXPECT_EQ(stateOf(cells(21), "reserve.cells"), State::Fine);
    EXPECT_FALSE(has(checkedAll(cells(21)), "reserve.cells"));
    EXPECT_EQ(stateOf(cells(16.2), "reserve.cells"), State::Fine);
    const auto close = checkedAll(cells(15.2));
    EXPECT_EQ(finding(close, "reserve.cells").state, State::Close);
    EXPECT_EQ(stateOf(cells(14.2), "reserve.cells"), State::Over);
    ASSERT_EQ(finding(close, "reserve.cells").options.size(), 1U);
    // A resistor across each ends it; so does a bank that is no row of cells.
    Job balanced = cells(14.2);
    balanced = jotted(balanced, {"balance cells"});
    EXPECT_TRUE(balanced.bank->part.balanced);
    EXPECT_FALSE(has(checkedAll(balanced), "reserve.cells"));
    EXPECT_TRUE(has(checkedAll(jotted(balanced, {"balance none"})), "reserve.cells"));
    Job single = cells(14.2);
    single.bank->part.inSeries = 1;
    EXPECT_FALSE(has(checkedAll(single), "reserve.cells"));
    EXPECT_FALSE(applyLine("balance cells", single, smallCatalogue(), {}));
}

Job canOf(const char* bank, std::initializer_list<const char*> lines) {
    return jotted(jotted(shunter(), {"track 14.5V", "decoder middle", bank}), lines);
}

TEST(Clamps, AreDarkBelowAndGuardAbove) {
    // Bus 13.3 V, at the most 14.03 V.
    const char* can = "bank can-4700u-16 charge 100R diode 0.35V";
    const auto clamp = [&](const char* line) {
        return finding(checkedAll(canOf(can, {line})), "reserve.clamp").state;
    };
    EXPECT_FALSE(has(checkedAll(canOf(can, {})), "reserve.clamp"));
    EXPECT_EQ(clamp("clamp 15V"), State::Fine);      // 14.25 … 15.75
    EXPECT_EQ(clamp("clamp 16V"), State::Fine);      // it never conducts: it does nothing
    EXPECT_EQ(clamp("clamp 14V 2%"), State::Close);  // from 13.72 on it conducts a little
    EXPECT_EQ(clamp("clamp 9V"), State::Over);       // 8.55 V, 55 mA: half a watt
    const auto hot = checkedAll(canOf(can, {"clamp 9V"}));
    const Finding& over = finding(hot, "reserve.clamp");
    EXPECT_NEAR(*figure(over, "P_z").value, (14.025 - 8.55) / 100 * 8.55, 1e-3);
    EXPECT_NE(plain(over.sentence).find("conducts all the time"), std::string::npos);
    ASSERT_FALSE(over.options.empty());
    EXPECT_EQ(over.options.front().jot, "clamp 15V");
    // What it says of itself it keeps: taken, it is fine.
    EXPECT_EQ(clamp(over.options.front().jot.c_str()), State::Fine);
}

TEST(Clamps, BeforeTheResistorGuardNothing) {
    const char* can = "bank can-4700u-16 charge 100R diode 0.35V";
    const Job wrong = canOf(can, {"clamp 13V before"});
    EXPECT_TRUE(wrong.bank->clamp->before);
    const auto all = checkedAll(wrong);
    const Finding& over = finding(all, "reserve.clamp");
    EXPECT_EQ(over.state, State::Over);
    EXPECT_EQ(over.gravity, Gravity::FirePeople);
    EXPECT_NE(plain(over.sentence).find("from 12.3 V on it shorts the bus, and 14 V come"),
              std::string::npos)
        << plain(over.sentence);
    EXPECT_FALSE(plain(over.caution).empty());
    // It keeps nothing from the bank: the volts are judged as without it.
    EXPECT_EQ(figure(finding(all, "reserve.volts"), "V_top").value,
              figure(finding(checkedAll(canOf(can, {})), "reserve.volts"), "V_top").value);
    EXPECT_NE(
        figure(finding(all, "reserve.volts"), "V_top").value,
        figure(finding(checkedAll(canOf(can, {"clamp 13V"})), "reserve.volts"), "V_top").value);
    // Above all that comes it is dark; there it guards nothing.
    const auto dark = checkedAll(canOf(can, {"clamp 16V before"}));
    EXPECT_EQ(finding(dark, "reserve.clamp").state, State::Close);
    EXPECT_EQ(finding(dark, "reserve.clamp").gravity, Gravity::WorksBadly);
    // Moved behind it is the same one, and told as what it is there.
    ASSERT_EQ(over.options.size(), 1U);
    EXPECT_EQ(over.options.front().jot, "clamp 13V 5%");
    const Job moved = jotted(wrong, {over.options.front().jot.c_str()});
    EXPECT_FALSE(moved.bank->clamp->before);
    EXPECT_EQ(stateOf(moved, "reserve.clamp"), over.options.front().state);
}

TEST(AllowedBank, IsTheLeafletsOfTheDecoder) {
    const Job job = canOf("bank can-1000u-25 charge 100R diode 0.35V", {});
    EXPECT_FALSE(has(checkedAll(job), "reserve.allowed"));  // nobody looked
    const auto stateAt = [&](const char* line) {
        return finding(checkedAll(jotted(job, {line})), "reserve.allowed").state;
    };
    EXPECT_EQ(stateAt("allows 1000u"), State::Fine);
    EXPECT_EQ(stateAt("allows 2200u"), State::Fine);
    EXPECT_EQ(stateAt("allows 980u"), State::Over);
    const Job small = jotted(job, {"allows 470u"});
    const auto all = checkedAll(small);
    const Finding& over = finding(all, "reserve.allowed");
    EXPECT_EQ(over.gravity, Gravity::PartDestroyed);
    EXPECT_TRUE(plain(over.sentence)
                    .starts_with("More than the decoder allows: 1 mF on decoder middle, whose "
                                 "leaflet allows 470 µF."))
        << plain(over.sentence);
    EXPECT_NEAR(*figure(over, "C_most").value, 470e-6, 1e-12);
    EXPECT_EQ(small.decoder->part.mostBank, Farads{470e-6});
    EXPECT_FALSE(jotted(small, {"allows none"}).decoder->part.mostBank);
    // A plug-in reserve charges by itself.
    EXPECT_FALSE(has(checkedAll(jotted(small, {"bank module-22m-18"})), "reserve.allowed"));
    // No bank above it is offered as one that does.
    for (const auto& ranked :
         stay_alive::rankedBanks(factsOf(small), stay_alive::loadsOf(factsOf(small)))) {
        const BankPart& part = ranked.bank.part;
        if (part.kind != BankKind::Module) {
            EXPECT_EQ(ranked.worst, State::Over) << part.id;
        }
    }
    const auto offered =
        stay_alive::bankOptions(factsOf(small), stay_alive::loadsOf(factsOf(small)));
    EXPECT_TRUE(std::any_of(offered.begin(), offered.end(), [](const Option& option) {
        return plain(option.effect).ends_with("but the decoder allows only 470 µF");
    }));
    EXPECT_FALSE(
        applyLine("allows 2200u", tests::newJob("x", "dock-shunter"), smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("allows", job, smallCatalogue(), {}));
}

TEST(BankRoom, IsToldWhereNoHollowHoldsTheBank) {
    const auto measured = [](Job job) {
        for (Cavity& cavity : job.units[0].body.cavities) cavity.measured = true;
        return job;
    };
    const Job small = jotted(shunter(), {"decoder middle", "bank module-22m-18"});
    EXPECT_FALSE(has(checkedAll(small), "reserve.room"));
    EXPECT_FALSE(has(checkedAll(measured(small)), "reserve.room"));
    Job large = small;
    large.bank->part.length = Millimetres{70};
    const auto drawn = checkedAll(large);
    EXPECT_EQ(finding(drawn, "reserve.room").state, State::Close);
    EXPECT_EQ(plain(finding(drawn, "reserve.room").action), "measure the hollow");
    EXPECT_NE(plain(finding(drawn, "reserve.room").sentence).find("as they are drawn: it is 70 mm"),
              std::string::npos);
    EXPECT_FALSE(finding(drawn, "reserve.room").options.empty());
    const auto sure = checkedAll(measured(large));
    EXPECT_EQ(finding(sure, "reserve.room").state, State::Over);
    EXPECT_EQ(plain(finding(sure, "reserve.room").action), "a smaller bank");
    // One hollow that nobody measured may be larger than it is drawn.
    Job half = measured(large);
    ASSERT_GT(half.units[0].body.cavities.size(), 1U);
    half.units[0].body.cavities.back().measured = false;
    EXPECT_EQ(finding(checkedAll(half), "reserve.room").state, State::Close);
    // A bank that lay in it when it came has room, whatever is drawn.
    Job came = large;
    came.intake.arrival = Arrival::WithDecoder;
    EXPECT_FALSE(has(checkedAll(came), "reserve.room"));
    EXPECT_TRUE(has(checkedAll(measured(came)), "reserve.room"));
}

TEST(BankRoom, IsMadeByWhatMayGo) {
    // A weight fills the hollow that would hold it.
    Job job = jotted(shunter(), {"decoder middle", "bank module-22m-18"});
    const Cavity hood = job.units[0].body.cavities.front();
    for (Cavity& cavity : job.units[0].body.cavities) {
        if (&cavity != &job.units[0].body.cavities.front()) cavity.length = Millimetres{2};
    }
    job.units[0].fixtures.push_back(
        {FixtureKind::Weight, hood.name, {}, hood.length, hood.width, hood.height, true});
    const auto all = checkedAll(job);
    const Finding& room = finding(all, "reserve.room");
    ASSERT_FALSE(room.options.empty());
    EXPECT_EQ(room.options[0].jot, "weight " + hood.name + " gone");
    EXPECT_EQ(plain(room.options[0].effect), "the bank lies there");
    EXPECT_EQ(room.options[0].state, State::Fine);
    EXPECT_EQ(plain(room.action), "make room for it, or choose a smaller bank");
    // A speaker whose room would not hold it is not offered.
    Job two = job;
    two.units[0].fixtures.push_back({FixtureKind::Speaker,
                                     job.units[0].body.cavities.back().name,
                                     {},
                                     Millimetres{1},
                                     Millimetres{1},
                                     Millimetres{1},
                                     true});
    const auto judged = checkedAll(two);
    for (const Option& option : finding(judged, "reserve.room").options)
        EXPECT_FALSE(option.jot.starts_with("speaker")) << option.jot;
    job.units[0].fixtures[0].mayGo = false;
    const auto stays = checkedAll(job);
    EXPECT_EQ(plain(finding(stays, "reserve.room").options[0].effect),
              "the bank lies there, if it may go");
}

TEST(TurnedBank, IsToldInsteadOfAllThatItWouldDo) {
    const Job right = canOf("bank can-4700u-16 charge 100R diode 0.35V", {"capacitance 4000u"});
    EXPECT_FALSE(has(checkedAll(right), "reserve.turned"));
    const Job job = jotted(right, {"bank turned"});
    const auto all = checkedAll(job);
    const Finding& one = finding(all, "reserve.turned");
    EXPECT_EQ(one.state, State::Over);
    EXPECT_EQ(one.gravity, Gravity::FirePeople);
    EXPECT_NE(plain(one.sentence).find("can burst"), std::string::npos);
    EXPECT_FALSE(plain(one.caution).empty());
    for (const char* other : {"reserve.hold", "reserve.volts", "reserve.charge"}) {
        EXPECT_FALSE(has(all, other)) << other;
    }
    EXPECT_FALSE(stay_alive::consequencesOf(factsOf(right)).empty());
    EXPECT_TRUE(stay_alive::consequencesOf(factsOf(job)).empty());
    // What it rolls over it rolls over as without a bank.
    const Job bare = jotted(right, {"bank none", "points 1:9"});
    const Job over = jotted(job, {"points 1:9"});
    const auto crossed = [](const Job& each) {
        const auto chart = stay_alive::crossingChart(factsOf(each), "");
        return chart->ways.front().crossing.wentOn;
    };
    EXPECT_EQ(crossed(over), crossed(bare));
    EXPECT_FALSE(stay_alive::holdChart(factsOf(job)));
    EXPECT_TRUE(stay_alive::holdChart(factsOf(right)));
    EXPECT_FALSE(stay_alive::working(jotted(right, {"lift nothing"})));
    EXPECT_TRUE(stay_alive::working(right));
    // A new one: what was read of the old one no longer counts.
    ASSERT_EQ(one.options.size(), 2U);
    EXPECT_EQ(plain(one.options[1].what), "no bank");
    const Job fresh = jotted(job, {one.options[0].jot.c_str()});
    EXPECT_FALSE(fresh.bank->backwards);
    EXPECT_FALSE(fresh.bank->measured);
    EXPECT_EQ(fresh.bank->charge, Ohms{100});
    EXPECT_TRUE(has(checkedAll(fresh), "reserve.hold"));
    EXPECT_FALSE(jotted(job, {one.options[1].jot.c_str()}).bank);
    // The parts suffer each in its own way.
    const auto words = [](const char* bank) {
        return sentenceOf(canOf(bank, {"bank turned"}), "reserve.turned");
    };
    EXPECT_NE(words("bank chips-3300u-25").find("catches fire"), std::string::npos);
    EXPECT_NE(words("bank module-22m-18").find("plug"), std::string::npos);
    // Found after it gave nothing, that question is answered; said with other things it is refused.
    EXPECT_FALSE(jotted(right, {"lift nothing", "bank turned"}).bank->dead);
    EXPECT_FALSE(applyLine("bank turned charge 100R", right, smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("bank turned", shunter(), smallCatalogue(), {}));
}

TEST(Clamps, WithoutAResistorShortTheBus) {
    const auto all = checkedAll(canOf("bank can-4700u-16", {"clamp 13V"}));
    EXPECT_EQ(finding(all, "reserve.clamp").state, State::Over);
    EXPECT_NE(plain(finding(all, "reserve.clamp").sentence).find("shorts the bus"),
              std::string::npos);
    EXPECT_EQ(finding(all, "reserve.clamp").gravity, Gravity::FirePeople);
}

TEST(Clamps, KeepTheBanksVoltsDown) {
    const Job without = canOf("bank can-4700u-16 charge 100R diode 0.35V", {});
    const Job with = jotted(without, {"clamp 12V"});
    const auto stateOfBank = [](const Job& job) {
        const auto facts = factsOf(job);
        return stay_alive::bankState(facts, *job.bank, stay_alive::loadsOf(facts));
    };
    const auto bare = stateOfBank(without);
    const auto held = stateOfBank(with);
    EXPECT_NEAR(bare.highest.value(), bare.top.value(), 1e-12);
    EXPECT_NEAR(held.highest.value(), 12.6, 1e-12);
    EXPECT_NEAR(held.full.value(), 12, 1e-12);
    EXPECT_LT(*held.hold->time, *bare.hold->time);
    EXPECT_LT(*held.worst, *bare.worst);
    // 14 V on 16 is close, 12.6 is not.
    EXPECT_EQ(stateOf(without, "reserve.volts"), State::Close);
    EXPECT_EQ(stateOf(with, "reserve.volts"), State::Fine);
    EXPECT_FALSE(jotted(with, {"clamp none"}).bank->clamp);
    EXPECT_NEAR(jotted(with, {"clamp 12V 2%"}).bank->clamp->tolerance, 0.02, 1e-12);
    for (const char* line : {"clamp", "clamp none 5%", "clamp 12V none"}) {
        EXPECT_FALSE(applyLine(line, with, smallCatalogue(), {})) << line;
    }
}

TEST(Clamps, ThatFitLieBetweenBusAndRating) {
    BankPart part;
    part.rated = Volts{25};
    stay_alive::BankState state{Volts{13.3}, Volts{13.3}, Volts{14}, Volts{14}, {},
                                {},          Hold{},      {},        {},        {}};
    const auto fit = stay_alive::clampsThatFit(part, state);
    ASSERT_FALSE(fit.empty());
    for (const Volts volts : fit) {
        EXPECT_GE(volts * 0.95, state.top);
        EXPECT_LE(volts * 1.05, part.rated);
    }
    EXPECT_NEAR(fit.front().value(), 15, 1e-12);
    EXPECT_NEAR(fit.back().value(), 22, 1e-12);
    part.rated = Volts{15};
    EXPECT_TRUE(stay_alive::clampsThatFit(part, state).empty());
}

TEST(Terminals, AModuleWantsThreeACanTwo) {
    const auto with = [](const char* bank, StayAliveTerminals there) {
        Job job = jotted(shunter(), {"decoder middle", bank});
        job.decoder->part.stayAlive = there;
        return job;
    };
    using enum StayAliveTerminals;
    const char* module = "bank module-22m-18";
    EXPECT_FALSE(has(checkedAll(with(module, Managed)), "reserve.terminals"));
    EXPECT_EQ(stateOf(with(module, Pads), "reserve.terminals"), State::Close);
    EXPECT_EQ(stateOf(with(module, TwoWire), "reserve.terminals"), State::Close);
    EXPECT_EQ(stateOf(with(module, None), "reserve.terminals"), State::Over);
    EXPECT_EQ(stateOf(with(module, Unknown), "reserve.terminals"), State::Ask);
    const char* can = "bank can-1000u-25 charge 100R diode 0.35V";
    for (const StayAliveTerminals there : {Managed, Pads, TwoWire, Unknown}) {
        EXPECT_FALSE(has(checkedAll(with(can, there)), "reserve.terminals"));
    }
    EXPECT_EQ(stateOf(with(can, None), "reserve.terminals"), State::Close);
    EXPECT_NE(sentenceOf(with(can, None), "reserve.terminals").find("rectifier"),
              std::string::npos);
}

TEST(ChargeTime, TellsTheFarads) {
    const Job job = canOf("bank can-4700u-16 charge 100R diode 0.35V", {});
    const Job read = jotted(job, {"charge 0.9s"});
    EXPECT_NEAR(read.bank->measured->value.value(), 0.9 / 300, 1e-12);
    EXPECT_EQ(read.bank->measured->within, 0.2);  // as it is said: give or take a fifth
    EXPECT_FALSE(applyLine("charge 0.9s", canOf("bank can-4700u-16", {}), smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("charge 0.9s 100R", job, smallCatalogue(), {}));
    EXPECT_FALSE(
        applyLine("charge 3000s", canOf("bank can-4700u-16 charge 1R", {}), smallCatalogue(), {}));
}

const Consequence& of(const std::vector<Consequence>& all, std::string_view when) {
    for (const Consequence& one : all) {
        if (plain(one.when) == when) return one;
    }
    ADD_FAILURE() << "nothing of " << when;
    static const Consequence none{};
    return none;
}

TEST(Consequences, AreWorkedOutOfTheBank) {
    const Job job =
        canOf("bank can-4700u-16 charge 100R diode 0.35V", {"creep 20km/h", "coast 40mm"});
    const auto facts = factsOf(job);
    const auto all = stay_alive::consequencesOf(facts);
    const auto state = stay_alive::bankState(facts, *job.bank, stay_alive::loadsOf(facts));
    // 13.3 V through 100 Ω, τ = 0.47 s: 107 mA after 0.1 s.
    const double peak = 0.133, tau = 0.47;
    const Consequence& program = of(all, "On the programming track");
    EXPECT_NEAR(*program.figure.value, peak * std::exp(-0.1 / tau), 1e-6);
    EXPECT_EQ(program.state, State::Close);
    EXPECT_NE(plain(program.comes).find("are lost"), std::string::npos);
    // When an answer of 60 mA finds room beside it: below 40 mA.
    EXPECT_NEAR(stay_alive::chargeBelow(state, Amperes{0.04}).value(), tau * std::log(peak / 0.04),
                1e-9);
    EXPECT_NEAR(stay_alive::chargeBelow(state, Amperes{0.2}).value(), 0, 1e-12);
    EXPECT_NE(plain(of(all, "When the power comes on").comes).find("22 like it"),
              std::string::npos);
    // What it is driven on for, and what it rolls then.
    const double speed = stay_alive::creepSpeed(job).value();
    EXPECT_NEAR(*of(all, "When the power is cut").figure.value,
                speed * state.hold->time->value() + 0.04, 1e-6);
    // The processor alone: C · (13.3 − 0.35 − 5) / 20 mA.
    EXPECT_NEAR(*of(all, "When it should be off").figure.value, 4.7e-3 * 7.95 / 0.02, 1e-6);
    EXPECT_EQ(of(all, "On plain DC").state, State::Close);  // 16.8 V on 16
    EXPECT_NEAR(*of(all, "On plain DC").figure.value, 16.8, 1e-9);
    EXPECT_EQ(
        of(stay_alive::consequencesOf(factsOf(jotted(job, {"clamp 15V"}))), "On plain DC").state,
        State::Fine);
    for (const Consequence& one : all) EXPECT_NE(plain(one.when), "Its sound");
}

TEST(Consequences, ASmallBankIsNoTroubleToProgram) {
    const auto all = stay_alive::consequencesOf(
        factsOf(canOf("bank can-1000u-25 charge 1000R diode 0.35V", {})));
    EXPECT_EQ(of(all, "On the programming track").state, State::Fine);
    const auto late =
        stay_alive::consequencesOf(factsOf(canOf("bank can-4700u-16 charge 47R diode 0.35V", {})));
    // 283 mA at first: borne after 0.1 s, but an answer is lost until it is below 60 mA.
    EXPECT_EQ(of(late, "On the programming track").state, State::Close);
    EXPECT_NE(plain(of(late, "On the programming track").comes).find("are lost"),
              std::string::npos);
}

TEST(Consequences, OfSoundAndOfNothing) {
    Job job = canOf("bank can-4700u-16 charge 100R diode 0.35V", {});
    job.decoder->part.sound = true;
    const auto all = stay_alive::consequencesOf(factsOf(job));
    const auto facts = factsOf(job);
    const auto state = stay_alive::bankState(facts, *job.bank, stay_alive::loadsOf(facts));
    const Figure& silent = of(all, "Its sound").figure;
    EXPECT_GT(*silent.value, 0);
    EXPECT_LT(*silent.value, state.hold->time->value());
    // No bank, or one that gave nothing: nothing follows of it. Without a charge resistor the two
    // that rest on it are left out.
    EXPECT_TRUE(stay_alive::consequencesOf(factsOf(jotted(job, {"bank none"}))).empty());
    EXPECT_TRUE(stay_alive::consequencesOf(factsOf(jotted(job, {"lift nothing"}))).empty());
    EXPECT_EQ(stay_alive::consequencesOf(factsOf(jotted(job, {"charge none"}))).size(),
              all.size() - 3);
}

TEST(Consequences, ItsResistorTakesTheLoadsCurrentOnDirtyRails) {
    const char* const bank = "bank can-4700u-16 charge 100R diode 0.35V";
    const Job job = canOf(bank, {"creep 20km/h", "dirt 4 per 1m"});
    const auto facts = factsOf(job);
    const double drawn =
        stay_alive::loadsOf(facts)
            .bus.drawn(stay_alive::bankState(facts, *job.bank, stay_alive::loadsOf(facts)).bus)
            .value();
    const auto all = stay_alive::consequencesOf(facts);
    const Consequence& dirty = of(all, "On dirty rails");
    // Off half of the time all of the load comes through it in the other half, if 8.3 V drive so
    // much through it.
    ASSERT_GT(drawn, 8.3 / 100);
    EXPECT_NEAR(*dirty.figure.value, 0.083 * 0.083 * 100 / 2, 1e-9);
    const char* const less = "bank can-4700u-16 charge 10R diode 0.35V";
    EXPECT_NEAR(
        *of(stay_alive::consequencesOf(factsOf(canOf(less, {"creep 20km/h"}))), "On dirty rails")
             .figure.value,
        drawn * drawn * 10 / 2, 1e-9);
    // A stutter of 3 mm on the average: n·v·C·(I·l/(v·C))².
    const double speed = stay_alive::creepSpeed(job).value();
    const double mean = 4 * speed * 4.7e-3 * std::pow(drawn * 0.003 / speed / 4.7e-3, 2);
    EXPECT_NE(plain(dirty.comes).find(formatted(Watts{mean}, 2)), std::string::npos)
        << plain(dirty.comes);
    // Told where it was counted as that bad; else it is a figure.
    EXPECT_EQ(dirty.state, State::Close);
    EXPECT_EQ(
        of(stay_alive::consequencesOf(factsOf(canOf(bank, {"creep 20km/h"}))), "On dirty rails")
            .state,
        State::Fine);
    EXPECT_EQ(of(stay_alive::consequencesOf(
                     factsOf(canOf("bank can-4700u-16 charge 1R diode 0.35V", {"dirt 4 per 1m"}))),
                 "On dirty rails")
                  .state,
              State::Fine);
}
TEST(Consequences, OfANightPutAway) {
    // A can is empty, cells are not: 5 V · e^(−8 h / 2·10⁵ s).
    const auto can =
        stay_alive::consequencesOf(factsOf(canOf("bank can-4700u-16 charge 100R diode 0.35V", {})));
    EXPECT_LT(*of(can, "Put away for the night").figure.value, 1e-6);
    EXPECT_NE(plain(of(can, "Put away for the night").comes).find("nothing is left"),
              std::string::npos);
    const char* const row = "bank 6x1F 2.7V series charge 100R diode 0.35V";
    const auto cells = stay_alive::consequencesOf(factsOf(canOf(row, {})));
    EXPECT_NEAR(*of(cells, "Put away for the night").figure.value, 5 * std::exp(-8 * 3600 / 2e5),
                1e-9);
    EXPECT_NE(plain(of(cells, "Put away for the night").comes).find("before you solder"),
              std::string::npos);
    // 10 kΩ across each of 1 F: τ = 10⁴ s.
    const auto balanced = stay_alive::consequencesOf(factsOf(canOf(row, {"balance cells"})));
    EXPECT_NEAR(*of(balanced, "Put away for the night").figure.value, 5 * std::exp(-2.88), 1e-9);
}

TEST(OwnBanks, AreMadeUpOfTheirParts) {
    const Job row = canOf("bank 5x0.47F 2.7V series", {});
    const BankPart& cells = row.bank->part;
    EXPECT_NEAR(cells.capacitance.value(), 0.094, 1e-12);
    EXPECT_NEAR(cells.rated.value(), 13.5, 1e-12);
    EXPECT_EQ(cells.inSeries, 5);
    EXPECT_EQ(cells.kind, BankKind::Supercapacitor);
    // 1.71 J at 2.8 J/cm³: 612 mm³ each.
    EXPECT_NEAR(cells.width.value(), 7.5, 1e-9);
    EXPECT_NEAR(cells.height.value(), 11.5, 1e-9);
    EXPECT_NEAR(cells.length.value(), 37.5, 1e-9);
    EXPECT_EQ(cells.name, "5 × 470 mF 2.7 V in series (size guessed)");
    const BankPart side = canOf("bank 4x220u 16V tantalum in parallel", {}).bank->part;
    EXPECT_NEAR(side.capacitance.value(), 880e-6, 1e-12);
    EXPECT_EQ(side.rated, Volts{16});
    EXPECT_EQ(side.inSeries, 1);
    EXPECT_EQ(side.kind, BankKind::Tantalum);
    const BankPart one = canOf("bank 1000uF 25V size 20x10x10 charge 100R", {}).bank->part;
    EXPECT_EQ(one.kind, BankKind::Electrolytic);
    EXPECT_EQ(one.length, Millimetres{20});
    EXPECT_EQ(one.name, "1 mF 25 V");
    // The same again keeps what was read on it; another forgets it.
    const Job read = jotted(row, {"capacitance 80000u"});
    EXPECT_TRUE(jotted(read, {"bank 5x0.47F 2.7V series"}).bank->measured.has_value());
    EXPECT_FALSE(jotted(read, {"bank 6x0.47F 2.7V series"}).bank->measured.has_value());
    for (const char* line :
         {"bank 5x0.47F series", "bank 5x0.47F 2.7V", "bank 14x0.47F 2.7V series",
          "bank 1F 2.7V size big", "bank can-1000u-25 1F 2.7V", "bank none series", "bank",
          "bank can-1000u-25 series", "bank 5x0.47F 2.7V series 52x14x11"}) {
        EXPECT_FALSE(applyLine(line, row, smallCatalogue(), {})) << line;
    }
    // What it bears is what was said, not what a catalogue has.
    const auto basisOf = [](const Job& job) {
        const auto all = tests::checkedAll(job);
        return tests::figure(tests::finding(all, "reserve.volts"), "V_rated").basis.kind;
    };
    EXPECT_EQ(basisOf(row), Basis::Kind::Chosen);
    EXPECT_EQ(basisOf(canOf("bank can-1000u-25 charge 100R diode 0.35V", {})),
              Basis::Kind::Catalogue);
    // It is judged like any other: cells that nothing balances.
    EXPECT_TRUE(
        tests::has(tests::checkedAll(canOf("bank 5x0.47F 2.7V series charge 100R diode 0.35V", {})),
                   "reserve.cells"));
}
TEST(BankWiring, FollowsWhatIsFitted) {
    const Job can = canOf("bank can-1000u-25 charge 100R diode 0.35V", {});
    const auto wired = *stay_alive::bankWiring(can, WorkshopRules());
    EXPECT_EQ(plain(wired.plusTo), "common, blue");
    EXPECT_EQ(plain(wired.minusTo), "decoder ground, black");
    EXPECT_FALSE(wired.markIsPlus);
    EXPECT_NE(plain(wired.mark).find("stripe"), std::string::npos);
    const auto steps = [](const Job& job) {
        std::string all;
        const auto made = stay_alive::bankWiring(job, WorkshopRules());
        for (const Text& step : made->steps) all += plain(step) + "\n";
        return all;
    };
    EXPECT_NE(steps(can).find("band towards the decoder"), std::string::npos);
    EXPECT_NE(steps(can).find("Never to a rail or the frame"), std::string::npos);
    EXPECT_EQ(steps(can).find("Zener"), std::string::npos);
    EXPECT_NE(steps(jotted(can, {"clamp 18V"})).find("Zener of 18 V"), std::string::npos);
    EXPECT_EQ(steps(jotted(can, {"diode none"})).find("band towards"), std::string::npos);
    EXPECT_NE(steps(jotted(can, {"balance cells"})).find("each of the 2 cells"), std::string::npos);
    // Chips carry their bar on plus; a module has all in it, and a third wire where it is switched.
    EXPECT_TRUE(
        stay_alive::bankWiring(canOf("bank chips-3300u-25", {}), WorkshopRules())->markIsPlus);
    Job module = canOf("bank module-22m-18", {});
    EXPECT_FALSE(stay_alive::bankWiring(module, WorkshopRules())->thirdWire);
    module.decoder->part.stayAlive = StayAliveTerminals::Managed;
    EXPECT_TRUE(stay_alive::bankWiring(module, WorkshopRules())->thirdWire);
    EXPECT_EQ(steps(module).find("side by side"), std::string::npos);
    EXPECT_EQ(plain(stay_alive::bankWiring(module, WorkshopRules())->plusTo),
              "the decoder's plus for a bank");
    Job none = can;
    none.decoder->part.stayAlive = StayAliveTerminals::None;
    EXPECT_EQ(plain(stay_alive::bankWiring(none, WorkshopRules())->minusTo),
              "minus of the decoder's rectifier");
    EXPECT_FALSE(stay_alive::bankWiring(jotted(can, {"bank none"}), WorkshopRules()));
}

}  // namespace
}  // namespace glimmet::core
