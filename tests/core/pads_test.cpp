// Empty pads of a board, by meter; warmth, frost and years of a bank.
#include "core/analysis/stay_alive/ageing.h"
#include "core/analysis/stay_alive/consequences.h"
#include "core/analysis/supply.h"
#include "core/work/stay_alive/bank_wiring.h"
#include "core/work/stay_alive/judge_pads.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;
using stay_alive::bearsUpTo;
using stay_alive::PadsUse;
using stay_alive::shareInFrost;
using stay_alive::shareLeft;
using stay_alive::useOf;

EmptyPads readAt(std::optional<double> direct, std::optional<double> alternating = {}) {
    EmptyPads pads;
    pads.name = "C7";
    if (direct) pads.direct = Volts{*direct};
    if (alternating) pads.alternating = Volts{*alternating};
    return pads;
}
TEST(EmptyPads, AreWhatTheirVoltsSay) {
    const Volts bus{13.3};
    EXPECT_EQ(useOf(readAt({}), bus), PadsUse::Unread);
    EXPECT_EQ(useOf(readAt(13.3), bus), PadsUse::Bank);
    EXPECT_EQ(useOf(readAt(-13.3), bus), PadsUse::Bank);
    EXPECT_EQ(useOf(readAt(13.3 * 0.86), bus), PadsUse::Bank);
    EXPECT_EQ(useOf(readAt(13.3 * 0.84), bus), PadsUse::Between);
    EXPECT_EQ(useOf(readAt(13.3 * 1.14), bus), PadsUse::Bank);
    EXPECT_EQ(useOf(readAt(13.3 * 1.16), bus), PadsUse::Between);
    EXPECT_EQ(useOf(readAt(5), bus), PadsUse::Logic);
    EXPECT_EQ(useOf(readAt(-3.3), bus), PadsUse::Logic);
    EXPECT_EQ(useOf(readAt(8), bus), PadsUse::Between);
    EXPECT_EQ(useOf(readAt(2.4), bus), PadsUse::Between);
    EXPECT_EQ(useOf(readAt(2.5), bus), PadsUse::Logic);
    EXPECT_EQ(useOf(readAt(6.1), bus), PadsUse::Between);
    EXPECT_EQ(useOf(readAt(0), bus), PadsUse::Link);
    EXPECT_EQ(useOf(readAt(-0.3), bus), PadsUse::Link);
    // What turns round reads near nothing on DC; a little of it beside DC is a meter's own.
    EXPECT_EQ(useOf(readAt(0.2, 14), bus), PadsUse::Rails);
    EXPECT_EQ(useOf(readAt({}, 14), bus), PadsUse::Rails);
    EXPECT_EQ(useOf(readAt({}, 0), bus), PadsUse::Unread);
    EXPECT_EQ(useOf(readAt(13.3, 3), bus), PadsUse::Bank);
    EXPECT_EQ(useOf(readAt(0.1, 1), bus), PadsUse::Link);
}

/// The shunter, its board looked at.
Job padded(std::initializer_list<const char*> lines) {
    return jotted(jotted(shunter(), {"track 14.5V", "decoder middle"}), lines);
}
const Finding& padsFinding(const std::vector<Finding>& all) {
    const Finding* one = found(all, "reserve.pads:C7");
    if (!one) throw std::out_of_range("nothing said of C7");
    return *one;
}

TEST(EmptyPads, AreAskedForUntilTheyAreTold) {
    EXPECT_EQ(found(checkedAll(padded({})), "reserve.pads:C7"), nullptr);
    Job job = padded({"pads C7"});
    const auto asked = checkedAll(job);
    const Finding& first = padsFinding(asked);
    EXPECT_EQ(first.state, State::Ask);
    EXPECT_EQ(first.gravity, Gravity::CouldBeBetter);
    EXPECT_NE(plain(first.sentence).find("red lead at the marked"), std::string::npos);
    EXPECT_FALSE(first.caution.empty());
    // Every answer is a line that leads on, to what it says.
    ASSERT_EQ(first.options.size(), 5U);
    for (const Option& option : first.options) {
        EXPECT_EQ(option.kind, Option::Kind::Answer);
        const auto then = checkedAll(jotted(job, {option.jot.c_str()}));
        EXPECT_EQ(padsFinding(then).state, option.state) << option.jot;
        EXPECT_NE(padsFinding(then).sentence, first.sentence) << option.jot;
    }
    const auto bank = checkedAll(padded({"pads C7 13.1V"}));
    EXPECT_NE(plain(padsFinding(bank).sentence).find("its plus to the marked pad of C7"),
              std::string::npos);
    const auto turned = checkedAll(padded({"pads C7 -13.1V"}));
    EXPECT_NE(plain(padsFinding(turned).sentence).find("its plus to the other pad of C7"),
              std::string::npos);
    EXPECT_EQ(figure(padsFinding(turned), "V_pads").basis.kind, Basis::Kind::Measured);
    for (const Option& option : padsFinding(bank).options) {
        const auto then = checkedAll(padded({"pads C7 13.1V", option.jot.c_str()}));
        EXPECT_EQ(padsFinding(then).state, option.state) << option.jot;
    }
}
TEST(EmptyPads, WhereABankGoesTellWhatLimitsItsCharge) {
    const auto sentence = [](std::initializer_list<const char*> lines) {
        const auto all = checkedAll(padded(lines));
        EXPECT_EQ(padsFinding(all).state, State::Fine);
        return plain(padsFinding(all).sentence);
    };
    EXPECT_NE(sentence({"pads C7 13.1V 0R"}).find("Nothing on the board limits"),
              std::string::npos);
    EXPECT_NE(sentence({"pads C7 13.1V 2R"}).find("Nothing on the board limits"),
              std::string::npos);
    EXPECT_NE(sentence({"pads C7 13.1V 100R"}).find("own 100 Ω limit"), std::string::npos);
    EXPECT_NE(sentence({"pads C7 13.1V 10R"}).find("own 10 Ω limit"), std::string::npos);
    EXPECT_NE(sentence({"pads C7 13.1V 2k"}).find("own 2 kΩ limit"), std::string::npos);
    EXPECT_NE(sentence({"pads C7 13.1V 2k2"}).find("comes through a part"), std::string::npos);
    EXPECT_NE(sentence({"pads C7 13.1V 5R"}).find("comes through a part"), std::string::npos);
    EXPECT_NE(sentence({"pads C7 5V"}).find("feed the processor alone"), std::string::npos);
    EXPECT_NE(sentence({"pads C7 ac 14V"}).find("turn round"), std::string::npos);
    // A bank that nothing limits yet can be told to be charged through the board.
    const Job bare = padded({"bank can-1000u-25", "pads C7 13.1V 100R"});
    const auto all = checkedAll(bare);
    ASSERT_EQ(padsFinding(all).options.size(), 1U);
    EXPECT_EQ(padsFinding(all).options[0].jot, "charge 100R");
    EXPECT_EQ(plain(padsFinding(all).options[0].effect), "peak 130 mA");
    const auto limited = checkedAll(jotted(bare, {"charge 100R"}));
    EXPECT_TRUE(padsFinding(limited).options.empty());
}
TEST(EmptyPads, ThatAreALinkAreJoinedForATrial) {
    const Job job = padded({"pads C7 0V"});
    const auto asked = checkedAll(job);
    EXPECT_EQ(padsFinding(asked).state, State::Ask);
    for (const Option& option : padsFinding(asked).options) {
        const auto then = checkedAll(jotted(job, {option.jot.c_str()}));
        EXPECT_EQ(padsFinding(then).state, option.state) << option.jot;
    }
    const Job stops = jotted(job, {"pads C7 bridged stops"});
    const auto over = checkedAll(stops);
    EXPECT_EQ(padsFinding(over).state, State::Over);
    EXPECT_EQ(padsFinding(over).gravity, Gravity::PartDestroyed);
    ASSERT_EQ(padsFinding(over).options.size(), 1U);
    const Job off = jotted(stops, {padsFinding(over).options[0].jot.c_str()});
    const auto told = checkedAll(off);
    EXPECT_EQ(padsFinding(told).state, State::Fine);
    EXPECT_NE(plain(padsFinding(told).sentence).find("the model stopped"), std::string::npos);
    // A wire over pads that carry the bus is the same, whatever was read.
    const auto shorted = checkedAll(padded({"pads C7 13.1V 0R bridged stops"}));
    EXPECT_EQ(padsFinding(shorted).state, State::Over);
}
TEST(EmptyPads, AreSaidInOneLineOrInSeveral) {
    const Job job = padded({"pads C7 12.8V", "pads c7 100R", "pads C7 ac 0V", "pads C9 0V"});
    ASSERT_EQ(job.pads.size(), 2U);
    EXPECT_EQ(job.pads[0].name, "C7");
    EXPECT_EQ(job.pads[0].direct, Volts{12.8});
    EXPECT_EQ(job.pads[0].toCommon, Ohms{100});
    EXPECT_EQ(job.pads[0].alternating, Volts{0});
    EXPECT_EQ(jotted(job, {"pads C7 -12.8V"}).pads[0].direct, Volts{-12.8});
    EXPECT_EQ(jotted(job, {"pads C7 none"}).pads.size(), 1U);
    const auto said = applyLine("pads C7 bridged holds", job, smallCatalogue(), "2026-03-02");
    ASSERT_TRUE(said);
    EXPECT_EQ(said->after.pads[0].on, "2026-03-02");
    EXPECT_EQ(said->stage, "stay-alive");
    for (const char* line : {"pads C7 13V", "pads C7 ac 0V", "pads C7 90R"}) {
        EXPECT_EQ(applyLine(line, job, smallCatalogue(), "2026-03-02")->after.pads[0].on,
                  "2026-03-02");
    }
    EXPECT_EQ(applyLine("pads C11", job, smallCatalogue(), "2026-03-02")->after.pads[2].on, "");
    for (const char* line : {"pads", "pads C8 none", "pads C7 none 12V", "pads C7 90V",
                             "pads C7 bridged", "pads C7 bridged perhaps"}) {
        EXPECT_FALSE(applyLine(line, job, smallCatalogue(), {})) << line;
    }
    Job many = padded({});
    for (int i = 1; i <= 20; ++i) many = jotted(many, {("pads C" + std::to_string(i)).c_str()});
    EXPECT_FALSE(applyLine("pads C21", many, smallCatalogue(), {}));
    EXPECT_TRUE(applyLine("pads C20 5V", many, smallCatalogue(), {}));
}
TEST(EmptyPads, ThatTakeABankAreWhereItIsWired) {
    const Job job = padded({"bank can-1000u-25 charge 100R diode 0.35V"});
    const auto joinedAt = [](const Job& each) {
        const auto wiring = stay_alive::bankWiring(each, WorkshopRules());
        return plain(wiring->plusTo) + " | " + plain(wiring->minusTo);
    };
    const std::string usual = joinedAt(job);
    EXPECT_EQ(joinedAt(jotted(job, {"pads C7 13.1V"})),
              "the marked pad of C7 | the other pad of C7");
    EXPECT_EQ(joinedAt(jotted(job, {"pads C7 -13.1V"})),
              "the other pad of C7 | the marked pad of C7");
    EXPECT_EQ(joinedAt(jotted(job, {"pads C7 5V"})), usual);
    EXPECT_EQ(joinedAt(jotted(job, {"pads C7 13.1V bridged stops"})), usual);
    EXPECT_EQ(joinedAt(jotted(job, {"pads C7 5V", "pads C9 13V"})),
              "the marked pad of C9 | the other pad of C9");
}

TEST(Ageing, FollowsTenDegreesAndTheVoltsOfACell) {
    const Seconds hours{3600};
    const auto left = [&](BankKind kind, double on, double warm, double cell) {
        return shareLeft(kind, hours * on, Celsius{warm}, Volts{cell}, Volts{2.7});
    };
    // What the sheets print, then a quarter of the loss at twenty degrees less.
    EXPECT_NEAR(left(BankKind::Electrolytic, 2000, 85, 2.7), 0.8, 1e-12);
    EXPECT_NEAR(left(BankKind::Electrolytic, 2000, 65, 2.7), 0.95, 1e-12);
    EXPECT_NEAR(left(BankKind::Supercapacitor, 1000, 65, 2.7), 0.7, 1e-12);
    EXPECT_NEAR(left(BankKind::Supercapacitor, 1000, 55, 2.5), 1 - 0.3 / 4, 1e-12);
    EXPECT_NEAR(left(BankKind::Module, 1000, 55, 2.7), 0.85, 1e-12);
    EXPECT_EQ(left(BankKind::Tantalum, 1e5, 85, 2.7), 1);
    EXPECT_EQ(left(BankKind::Electrolytic, 1e6, 85, 2.7), 0.5);
    EXPECT_EQ(left(BankKind::Supercapacitor, 0, 65, 2.7), 1);
    EXPECT_EQ(bearsUpTo(BankKind::Tantalum), Celsius{85});
    EXPECT_EQ(bearsUpTo(BankKind::Module), Celsius{65});
    EXPECT_NEAR(shareInFrost(BankKind::Electrolytic, Celsius{-20}), 0.8, 1e-12);
    EXPECT_EQ(shareInFrost(BankKind::Electrolytic, Celsius{5}), 1);
    EXPECT_NEAR(shareInFrost(BankKind::Electrolytic, Celsius{-90}), 0.3, 1e-12);
    EXPECT_EQ(shareInFrost(BankKind::Supercapacitor, Celsius{-20}), 1);
}
TEST(Warmth, IsHeldAgainstWhatItsKindBears) {
    const Job can = padded({"bank can-1000u-25 charge 100R diode 0.35V"});
    EXPECT_FALSE(has(checkedAll(can), "reserve.warmth"));
    const auto at = [](const Job& job, const char* line) {
        return stateOf(jotted(job, {line}), "reserve.warmth");
    };
    EXPECT_EQ(at(can, "warm 40C"), State::Fine);
    EXPECT_EQ(at(can, "warm 75C"), State::Fine);
    EXPECT_EQ(at(can, "warm 76 °C"), State::Close);
    EXPECT_EQ(at(can, "warm 85C"), State::Close);
    EXPECT_EQ(at(can, "warm 86C"), State::Over);
    const Job cells = padded({"bank 6x1F 2.7V series charge 100R diode 0.35V"});
    EXPECT_EQ(at(cells, "warm 60C"), State::Close);
    EXPECT_EQ(at(cells, "warm 66C"), State::Over);
    const auto over = checkedAll(jotted(cells, {"warm 66C"}));
    EXPECT_EQ(finding(over, "reserve.warmth").gravity, Gravity::PartDestroyed);
    EXPECT_NE(plain(finding(over, "reserve.warmth").sentence).find("66 °C"), std::string::npos);
    EXPECT_EQ(figure(finding(over, "reserve.warmth"), "T").basis.kind, Basis::Kind::Measured);
    // Another bank at the same place gets as warm; elsewhere nobody knows.
    EXPECT_TRUE(jotted(jotted(cells, {"warm 66C"}), {"bank can-1000u-25"}).bank->warmth);
    EXPECT_FALSE(applyLine("warm 60C", padded({}), smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("warm 300C", can, smallCatalogue(), {}));
    EXPECT_FALSE(applyLine("warm", can, smallCatalogue(), {}));
    EXPECT_TRUE(applyLine("warm -15C", can, smallCatalogue(), {}));
}
TEST(Warmth, InFrostACanMayHoldTooShort) {
    // Just long enough as it is: of what is needed, by a tenth.
    Job job = padded({"bank can-1000u-25 charge 100R diode 0.35V"});
    const auto stateAt = [&](double share) {
        const auto loads = stay_alive::loadsOf(factsOf(job));
        const auto state = stay_alive::bankState(factsOf(job), *job.bank, loads);
        Job just = job;
        just.bank->part.capacitance =
            job.bank->part.capacitance * (state.needed / *state.hold->time).value() * share;
        return stateOf(jotted(just, {"warm -20C"}), "reserve.warmth");
    };
    EXPECT_EQ(stateAt(1.1), State::Close);
    EXPECT_EQ(stateAt(1.4), State::Fine);
    EXPECT_EQ(stateAt(0.9), State::Fine);  // too short in any weather: that is said elsewhere
}

const stay_alive::Consequence& old(const std::vector<stay_alive::Consequence>& all) {
    for (const auto& one : all) {
        if (plain(one.when) == "In ten years") return one;
    }
    throw std::out_of_range("no years");
}
TEST(Years, LeaveWhatTheKindLeaves) {
    const Job cells = padded({"bank 6x1F 2.7V series charge 100R diode 0.35V"});
    const auto usual = stay_alive::consequencesOf(factsOf(cells));
    // 13 V of six cells: 2.16 V each, 40 °C assumed; 1000 h.
    const auto state =
        stay_alive::bankState(factsOf(cells), *cells.bank, stay_alive::loadsOf(factsOf(cells)));
    const double hours = 1000 * std::exp2(2.5 + (2.7 - state.full.value() / 6) / 0.2);
    EXPECT_NEAR(*old(usual).figure.value, 1 - 0.3 * 1000 / hours, 1e-9);
    EXPECT_EQ(old(usual).state, State::Fine);
    EXPECT_TRUE(restsOnAssumption(old(usual).figure));
    const auto hot = stay_alive::consequencesOf(factsOf(jotted(cells, {"warm 65C"})));
    EXPECT_LT(*old(hot).figure.value, *old(usual).figure.value);
    EXPECT_EQ(old(hot).figure.inputs[0].basis.kind, Basis::Kind::Measured);
    // One that just holds, beside a hot motor, will not.
    Job just = padded({"bank can-1000u-25 charge 100R diode 0.35V", "warm 85C"});
    const auto now =
        stay_alive::bankState(factsOf(just), *just.bank, stay_alive::loadsOf(factsOf(just)));
    just.bank->part.capacitance *= (now.needed / *now.hold->time).value() * 1.05;
    EXPECT_EQ(old(stay_alive::consequencesOf(factsOf(just))).state, State::Close);
    just.bank->part.capacitance *= 1.2;
    EXPECT_EQ(old(stay_alive::consequencesOf(factsOf(just))).state, State::Fine);
}

}  // namespace
}  // namespace glimmet::core
