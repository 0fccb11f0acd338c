// A bank that gave nothing when it was lifted off: one reading, then one thing after the other.
#include "core/work/stay_alive/dead_bank.h"

#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using namespace tests;
using stay_alive::causesOf;
using enum DeadCause;
using Causes = std::vector<DeadCause>;

constexpr const char* id = "reserve.dead";
const char* const chemical = "bank electrolytic-2200u-25 charge 100R diode 0.35V";

Job with(std::initializer_list<const char*> lines, const char* bank = chemical,
         const char* decoder = "decoder middle") {
    return tests::jotted(tests::jotted(shunter(), {decoder, bank, "lift nothing"}), lines);
}
/// On a bus of 10 V, so that shares are easily seen.
Causes left(const Job& job) { return causesOf(job, Volts{10}); }

TEST(DeadBank, OneReadingTellsOnWhichSideTheCauseLies) {
    EXPECT_EQ(left(with({"across 8V"})), (Causes{Diode, Link, Joint}));
    EXPECT_EQ(left(with({"across 7.99V"})), (Causes{Turned, Resistor, Link}));
    EXPECT_EQ(left(with({"across 2.01V"})), (Causes{Turned, Resistor, Link}));
    EXPECT_EQ(left(with({"across 2V"})), (Causes{Joint, Link, Resistor, Turned}));
    EXPECT_EQ(left(with({"across 0V"})), (Causes{Joint, Link, Resistor, Turned}));
}

TEST(DeadBank, WhatIsNotThereIsNoCause) {
    EXPECT_EQ(left(with({"diode none", "across 9V"})), (Causes{Link, Joint}));
    EXPECT_EQ(left(with({"charge none", "diode none", "across 0V"})),
              (Causes{Joint, Link, Turned}));
    EXPECT_EQ(left(with({"charge none", "diode none", "across 5V"})), (Causes{Turned, Link}));
    // What is managed can be switched off by a setting: first where it is charged, last where not.
    const Job module = with({"across 9V"}, "bank module-22m-18");
    ASSERT_EQ(module.bank->part.kind, BankKind::Module);
    EXPECT_EQ(left(module).front(), Setting);
    EXPECT_EQ(left(tests::jotted(module, {"across 0V"})).back(), Setting);
    Job managed = with({"across 9V"});
    managed.decoder->part.stayAlive = StayAliveTerminals::Managed;
    EXPECT_EQ(left(managed).front(), Setting);
}

TEST(DeadBank, WhatWasLookedAtIsNotAskedAgain) {
    const Job job = with({"across 9V", "cause diode right", "cause diode right"});
    EXPECT_EQ(job.bank->dead->ruledOut.size(), 1U);
    EXPECT_TRUE(tests::jotted(job, {"lift nothing"}) == job);
    EXPECT_TRUE(tests::jotted(job, {"lift 0s"}) == job);
    EXPECT_EQ(left(job), (Causes{Link, Joint}));
    EXPECT_EQ(left(tests::jotted(job, {"cause link right", "cause joint right"})), Causes{});
}

TEST(DeadBank, TheReadingIsAskedForWithWhatBelongsThere) {
    const Job job = with({});
    const auto all = checkedAll(job);
    const Finding& asked = finding(all, id);
    EXPECT_EQ(asked.state, State::Over);
    EXPECT_EQ(asked.gravity, Gravity::DoesNotWork);
    EXPECT_FALSE(asked.caution.empty());
    // 14.5 V less the rectifier's; five times 100 Ω · 2200 µF.
    EXPECT_EQ(plain(asked.sentence),
              "Lifted off it stops at once: the bank gives nothing. On the track again, meter from "
              "its plus to its minus: 13.3 V belong there after 1.1 s.");
    // What is full before the probes sit is not waited for.
    const auto quick = checkedAll(tests::jotted(job, {"capacitance 220u"}));
    EXPECT_TRUE(plain(finding(quick, id).sentence).ends_with("13.3 V belong there at once."))
        << plain(finding(quick, id).sentence);
    ASSERT_EQ(asked.options.size(), 3U);
    for (const Option& option : asked.options) EXPECT_EQ(option.kind, Option::Kind::Answer);
    const auto follows = [&](std::size_t option) {
        return plain(
            finding(checkedAll(tests::jotted(job, {asked.options[option].jot.c_str()})), id)
                .sentence);
    };
    EXPECT_NE(follows(0).find("it is charged, and does not give back"), std::string::npos);
    EXPECT_NE(follows(1).find("nothing charges it"), std::string::npos);
    EXPECT_NE(follows(2).find("something drains it"), std::string::npos);
}

TEST(DeadBank, LeadsFromOneCauseToTheNext) {
    Job job = with({"across 13.2V"});
    std::vector<std::string> seen;
    for (int step = 0; step < 3; ++step) {
        const auto all = checkedAll(job);
        const Finding& next = finding(all, id);
        ASSERT_EQ(next.options.size(), 2U);
        EXPECT_EQ(next.options[0].state, State::Fine);
        EXPECT_EQ(next.options[1].state, State::Over);
        seen.push_back(next.options[1].jot);
        const Job mended = tests::jotted(job, {next.options[0].jot.c_str()});
        EXPECT_FALSE(mended.bank->dead);
        EXPECT_FALSE(has(checkedAll(mended), id));
        EXPECT_TRUE(has(checkedAll(mended), "reserve.hold"));
        job = tests::jotted(job, {next.options[1].jot.c_str()});
    }
    EXPECT_EQ(seen, (std::vector<std::string>{"cause diode right", "cause link right",
                                              "cause joint right"}));
    const auto all = checkedAll(job);
    EXPECT_NE(plain(finding(all, id).sentence).find("it is the bank itself"), std::string::npos);
    ASSERT_FALSE(finding(all, id).options.empty());
    EXPECT_TRUE(finding(all, id).options[0].jot.starts_with("bank "));
}

TEST(DeadBank, EachKindIsToldByItsOwnMark) {
    const auto sentence = [](const char* bank) {
        Job job = with({"across 5V"}, bank);
        return plain(finding(checkedAll(job), id).sentence);
    };
    EXPECT_NE(sentence(chemical).find("The stripe on it is its minus"), std::string::npos);
    Job tantalum = with({"across 5V"});
    tantalum.bank->part.kind = BankKind::Tantalum;
    EXPECT_NE(plain(finding(checkedAll(tantalum), id).sentence).find("The bar on it is its plus"),
              std::string::npos);
    EXPECT_NE(sentence("bank module-22m-18").find("a contact off"), std::string::npos);
}

TEST(DeadBank, WhatItWouldDoOnPaperIsNotSaid) {
    const Job job = with({"points 1:9"});
    const auto all = checkedAll(job);
    EXPECT_FALSE(has(all, "reserve.hold"));
    for (const Finding& one : all) EXPECT_FALSE(one.id.starts_with("reserve.crossing")) << one.id;
    EXPECT_TRUE(has(all, "reserve.charge"));
    // A lift that holds ends it.
    const Job alive = tests::jotted(job, {"lift 140ms"});
    EXPECT_FALSE(alive.bank->dead);
    EXPECT_TRUE(has(checkedAll(alive), "reserve.hold"));
}

TEST(DeadBank, IsOnlyAskedAboutWhenItWasFoundDead) {
    const Job job = tests::jotted(shunter(), {"decoder middle", chemical});
    EXPECT_FALSE(has(checkedAll(job), id));
    const auto refused = [](const char* line, const Job& of) {
        const auto heard = applyLine(line, of, smallCatalogue(), "");
        return heard ? std::string("understood") : plain(heard.error().what);
    };
    EXPECT_NE(refused("cause joint right", job).find("lift nothing"), std::string::npos);
    EXPECT_NE(refused("cause joint right", shunter()).find("lift nothing"), std::string::npos);
    EXPECT_NE(refused("lift nothing", shunter()).find("no stay-alive"), std::string::npos);
    EXPECT_NE(refused("lift 2s nothing", job).find("lift nothing"), std::string::npos);
}

}  // namespace
}  // namespace glimmet::core
