// The room of the stay-alive: what draws, how long it holds, what has to be got across, the three
// findings firing and staying silent, the lines that fit a bank.
#include "core/work/stay_alive/stay_alive.h"

#include "core/analysis/stay_alive/crossing_state.h"
#include "core/analysis/stay_alive/rolling.h"
#include "core/work/stage_status.h"
#include "core/work/stay_alive/bank_options.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core::stay_alive {
namespace {

using tests::answer;
using tests::factsOf;
using tests::jotted;
using tests::newJob;
using tests::shunter;
using tests::smallCatalogue;

const char* const chips = "bank chips-3300u-25 charge 220R diode 0.35V";

/// A railbus of one driven axle that collects on one axle only, so that a frog kills it.
Job railbus(std::initializer_list<const char*> lines = {}) {
    return jotted(jotted(newJob("Smelt", "railbus"),
                         {"decoder small", "axle 2 none", "light 90mA 12V", "ohms 40"}),
                  lines);
}
const Finding* find(const std::vector<Finding>& all, std::string_view id) {
    for (const Finding& one : all) {
        if (one.id == id) return &one;
    }
    return nullptr;
}
struct Seen {
    State state{};
    std::string words;
    std::vector<Option> options;
};
/// A finding of the room; that there is none fails the test.
Seen seen(const Job& job, std::string_view id) {
    const auto all = findings(factsOf(job));
    const Finding* one = find(all, id);
    EXPECT_NE(one, nullptr) << id;
    return one ? Seen{one->state, plain(one->sentence), one->options} : Seen{};
}

TEST(ReserveLoads, MotorAtACrawlByItsReadings) {
    // 0.25 A at 12 V light; path 12/1.3 = 9.2308 Ω: I·R = 2.3077 V, a quarter of the rest 2.4231 V.
    const Job job = shunter();
    const Loads loads = loadsOf(factsOf(job));
    EXPECT_NEAR(loads.bus.power.value(), (2.3076923 + (12 - 2.3076923) / 4) * 0.25, 1e-6);
    EXPECT_FALSE(loads.motorAssumed);
    // Hauling is what it really does.
    const Job hauling = jotted(job, {"haul 400mA 12V"});
    EXPECT_NEAR(loadsOf(factsOf(hauling)).bus.power.value(),
                (0.4 * 12 / 1.3 + (12 - 0.4 * 12 / 1.3) / 4) * 0.4, 1e-6);
}
TEST(ReserveLoads, OfAMotorThatNobodyReadAreUsualAndSaySo) {
    for (const auto& [line, watts] :
         {std::pair{"motor can", 0.36}, {"motor coreless", 0.12}, {"motor open-frame", 1.5}}) {
        const Job job = jotted(newJob("x", "dock-shunter"), {line});
        const Loads loads = loadsOf(factsOf(job));
        EXPECT_NEAR(loads.bus.power.value(), watts, 1e-12) << line;
        EXPECT_TRUE(loads.motorAssumed);
        EXPECT_EQ(loads.figures.at(0).basis.kind, Basis::Kind::Assumed);
    }
    // A coach has none; its decoder still draws.
    const Job coach = jotted(newJob("x", "saloon"), {"decoder small"});
    EXPECT_NEAR(loadsOf(factsOf(coach)).bus.drawn(Volts{12}).value(), 0.02, 1e-12);
}
TEST(ReserveLoads, ABulbDrawsAsAResistorWould) {
    const Job job = jotted(shunter(), {"bulb cab 16V 50mA"});
    const Loads loads = loadsOf(factsOf(job));
    ASSERT_EQ(loads.bus.lamps.size(), 1U);
    EXPECT_EQ(loads.bus.lamps[0].forward.value(), 0);
    EXPECT_NEAR(loads.bus.lamps[0].resistance.value(), 13.3 / 0.0451, 1);
}
TEST(ReserveLoads, LampsDrawWhatTheyWereSolvedFor) {
    const Job job =
        jotted(shunter(),
               {"lamp front white", "parallel front red", "resistor front 2k2", "shared front 100",
                "output front 330R", "lamp cab white on supply", "resistor cab 1k"});
    const JobAnalysis facts = factsOf(job);
    Loads loads = loadsOf(facts);
    loads.bus.power = Watts{0};
    // What hangs on the supply itself goes dark with the track; the others and the processor draw.
    EXPECT_NEAR(loads.bus.drawn(facts.groups[0]->bus).value(),
                facts.groups[0]->total.value() + 0.02, 1e-9);
    EXPECT_LT(loads.bus.drawn(Volts{6}).value(), facts.groups[0]->total.value() / 2 + 0.02);
}

TEST(ReserveFrog, TakesTheTimeThatTheWheelsLeaveDead) {
    // One collecting axle: dead for the whole frog, 28 mm at 20 km/h / 87 = 63.86 mm/s.
    EXPECT_NEAR(longestDead(railbus())->time.value(), 28 / 63.857, 1e-4);
    // Two axles further apart than the frog is long bridge it.
    EXPECT_EQ(longestDead(jotted(railbus(), {"axle 2 both"}))->time.value(), 0);
    // In N the frog is shorter and the speed as well: the same time.
    EXPECT_NEAR(longestDead(jotted(railbus(), {"scale N"}))->time.value(),
                longestDead(railbus())->time.value(), 1e-9);
    // A rail that no wheel collects from, a middle conductor, no wheels: nothing can be said.
    EXPECT_FALSE(longestDead(jotted(railbus(), {"axle 1 left"})).has_value());
    EXPECT_FALSE(longestDead(jotted(railbus(), {"supply three-rail"})).has_value());
    EXPECT_FALSE(longestDead(newJob("x", "lighthouse")).has_value());
}
TEST(ReserveFrog, WheelsOfAnotherUnitHelpOnlyOverContacts) {
    Job train = jotted(railbus(), {"unit box-van called van"});
    EXPECT_GT(longestDead(train)->time.value(), 0.4);
    train.couplings[0].contacts = 1;
    EXPECT_GT(longestDead(train)->time.value(), 0.4);
    train.couplings[0].contacts = 2;
    EXPECT_EQ(longestDead(train)->time.value(), 0);
    train.decoder->placement =
        Fitted{train.units[1].id, "hold", {}};  // the van's own wheels bridge it
    train.couplings[0].contacts = 0;
    EXPECT_EQ(longestDead(train)->time.value(), 0);
}

TEST(ReserveFindings, SayWhatABankWouldBeFor) {
    const Seen dies = seen(railbus(), "reserve.none");
    EXPECT_EQ(dies.state, State::Fine);
    EXPECT_EQ(dies.words,
              "No stay-alive: an insulated frog of 28 mm at 20 km/h leaves it without power for "
              "440 ms.");
    EXPECT_EQ(seen(jotted(railbus(), {"axle 2 both"}), "reserve.none").words,
              "No stay-alive: the wheels bridge an insulated frog of 28 mm; they do not help on "
              "dirty track.");
    // Where nobody looked it rests on the drawing, and says so.
    Job drawn = jotted(railbus(), {"axle 2 both"});
    for (Axle& axle : drawn.units[0].body.axles) axle.looked = false;
    EXPECT_NE(seen(drawn, "reserve.none").words.find("with pickups as drawn"), std::string::npos);
    EXPECT_EQ(seen(jotted(railbus(), {"supply three-rail"}), "reserve.none").words,
              "No stay-alive is fitted.");
    // The first option holds and bears the volts; in the hollows as they are drawn none has room.
    ASSERT_FALSE(dies.options.empty());
    const Job taken = jotted(railbus(), {dies.options[0].jot.c_str()});
    EXPECT_EQ(dies.options[0].state, State::Close);
    EXPECT_TRUE(plain(dies.options[0].effect).ends_with("no hollow holds it"))
        << plain(dies.options[0].effect);
    EXPECT_EQ(seen(taken, "reserve.room").state, State::Close);
    EXPECT_EQ(seen(taken, "reserve.hold").state, State::Fine);
    EXPECT_EQ(seen(taken, "reserve.volts").state, State::Fine);
    EXPECT_NE(seen(taken, "reserve.charge").state, State::Over);
}
TEST(ReserveFindings, HoldAgainstWhatHasToBeGotAcross) {
    const Seen shortTime =
        seen(railbus({"bank can-1000u-25 charge 100R diode 0.35V"}), "reserve.hold");
    EXPECT_EQ(shortTime.state, State::Close);  // better than none
    EXPECT_EQ(shortTime.words.substr(0, 17), "Too short: holds ");
    EXPECT_NE(shortTime.words.find("leaves it dead for 440 ms"), std::string::npos)
        << shortTime.words;
    const Seen fine = seen(railbus({"bank module-22m-18"}), "reserve.hold");
    EXPECT_EQ(fine.state, State::Fine);
    EXPECT_EQ(fine.words.substr(0, 6), "Holds ");
    // Enough as it is printed, not where the track is lowest and the bank a fifth smaller.
    Job just = railbus({"bank module-22m-18"});
    const BankState state = bankState(factsOf(just), *just.bank, loadsOf(factsOf(just)));
    const double needed = longestDead(just)->time.value();
    EXPECT_LT(*state.worst, *state.hold->time * 0.8);
    just.bank->part.capacitance *= needed * 1.02 / state.hold->time->value();
    EXPECT_EQ(seen(just, "reserve.hold").state, State::Close);
    EXPECT_NE(seen(just, "reserve.hold").words.find("in the worst case"), std::string::npos);
    just.bank->part.capacitance *= (*state.hold->time / *state.worst).value();
    EXPECT_EQ(seen(just, "reserve.hold").state, State::Fine);
    // A bank that was read is what it is: only the track can be lower.
    Job read = railbus({"bank module-22m-18", "capacitance 22m"});
    EXPECT_GT(*bankState(factsOf(read), *read.bank, loadsOf(factsOf(read))).worst, *state.worst);
    // Where the wheels bridge the frog, a stutter of 50 ms on dirt is what counts.
    EXPECT_EQ(seen(jotted(railbus({"bank can-1000u-25 charge 100R diode 0.35V"}), {"axle 2 both"}),
                   "reserve.hold")
                      .words.find("a stutter on dirty rails takes 50 ms") == std::string::npos,
              false);
}
TEST(ReserveFindings, CapacitanceThatWasReadCounts) {
    const Job printed = railbus({"bank module-22m-18"});
    const Job read = jotted(printed, {"capacitance 11m"});
    const auto hold = [](const Job& job) {
        return bankState(factsOf(job), *job.bank, loadsOf(factsOf(job))).hold->time->value();
    };
    EXPECT_NEAR(hold(read), hold(printed) / 2, 1e-9);
}
TEST(ReserveFindings, WithoutADiodeTheBankGivesBackThroughItsResistor) {
    const Job job = jotted(shunter(), {"bank can-4700u-16 charge 100R", "track 12V"});
    const Seen hold = seen(job, "reserve.hold");
    EXPECT_EQ(hold.state, State::Close);
    EXPECT_NE(hold.words.find("gives back through its charge resistor"), std::string::npos);
    ASSERT_FALSE(hold.options.empty());
    EXPECT_EQ(hold.options[0].jot, "diode 0.35V");
    EXPECT_EQ(seen(jotted(job, {"diode 0.35V"}), "reserve.hold").state, State::Fine);
    EXPECT_EQ(seen(jotted(job, {"diode 0.35V"}), "reserve.hold").words.find("resistor"),
              std::string::npos);
}
TEST(ReserveFindings, RatingAgainstTheTopOfTheSupplysRange) {
    // 14.5 V + 5 % − 1.2 V = 14.025 V.
    const auto state = [](const char* bank, std::initializer_list<const char*> more = {}) {
        return seen(jotted(jotted(shunter(), {bank}), more), "reserve.volts").state;
    };
    EXPECT_EQ(state("bank can-1000u-25 charge 100R diode 0.35V"), State::Fine);
    EXPECT_EQ(state("bank can-4700u-16 charge 100R diode 0.35V"), State::Close);  // 17.5 wanted
    EXPECT_EQ(state("bank can-4700u-16 charge 100R diode 0.35V", {"track 17V"}), State::Over);
    EXPECT_EQ(state("bank cells-100m-16 charge 100R diode 0.35V"), State::Fine);  // 15.6 wanted
    EXPECT_EQ(state("bank cells-100m-16 charge 100R diode 0.35V", {"track 15.1V"}), State::Close);
    EXPECT_EQ(state("bank module-22m-18"), State::Fine);
    EXPECT_EQ(state("bank module-22m-18", {"track 18V"}), State::Close);  // 17.7 · 1.05
    // Tantalum wants half as much again, and twice as much where nothing limits the charge.
    EXPECT_EQ(state("bank chips-3300u-25 charge 100R diode 0.35V"), State::Fine);
    EXPECT_EQ(state("bank chips-3300u-25 diode 0.35V"), State::Close);
    EXPECT_EQ(seen(jotted(shunter(), {"bank can-4700u-16 charge 100R diode 0.35V", "track 18V"}),
                   "reserve.volts")
                  .words,
              "Not on this track: up to 17.7 V come to a bank rated 16 V. It vents or burns.");
}
TEST(ReserveFindings, ChargeThatNothingLimitsTripsTheBooster) {
    const Job bare = jotted(shunter(), {"bank chips-3300u-25 diode 0.35V"});
    const Seen charge = seen(bare, "reserve.charge");
    // 3.3 mF through some 1 Ω are above 5 A for 3 ms: it sparks, and trips nothing.
    EXPECT_EQ(charge.state, State::Close);
    EXPECT_EQ(seen(jotted(shunter(), {"bank cells-100m-16 diode 0.35V"}), "reserve.charge").state,
              State::Over);
    ASSERT_FALSE(charge.options.empty());
    EXPECT_EQ(charge.options[0].jot, "charge 100R");
    // 13.3 V / 220 Ω = 60 mA: the programming track bears it.
    EXPECT_EQ(seen(jotted(shunter(), {chips}), "reserve.charge").state, State::Fine);
    EXPECT_EQ(seen(jotted(shunter(), {chips}), "reserve.charge").words,
              "Charges with 60 mA and is full after 3.6 s.");
    // 22 mF through 68 Ω still draw 183 mA after a tenth of a second, and hide 60 mA for 1.8 s.
    const Seen module = seen(jotted(shunter(), {"bank module-22m-18"}), "reserve.programming");
    EXPECT_EQ(module.state, State::Close);
    EXPECT_NE(module.words.find("Reading settings may fail for 1.8 s"), std::string::npos);
    // ½ · 22 mF · 13.3² = 1.9 J in the resistor each time.
    const Seen hot =
        seen(jotted(shunter(), {"bank 22mF 25V charge 68R diode 0.35V"}), "reserve.charge");
    EXPECT_EQ(hot.state, State::Close);
    // 13.3² / 68 = 2.6 W at first.
    EXPECT_NE(hot.words.find("1.9 J go into the charge resistor each time: one of 3 W"),
              std::string::npos)
        << hot.words;
    EXPECT_NE(seen(jotted(shunter(), {"bank module-22m-18", "charge 470R"}), "reserve.charge")
                  .words.find("one of 500 mW"),
              std::string::npos);
    // The same joules slowly: a quarter of a watt gives them off as they come.
    EXPECT_EQ(
        seen(jotted(shunter(), {"bank module-22m-18", "charge 1000R"}), "reserve.charge").state,
        State::Fine);
}
TEST(ReserveRoom, IsForWhatRollsOnPoweredRails) {
    EXPECT_TRUE(applies(shunter()));
    EXPECT_TRUE(applies(jotted(shunter(), {"supply dc"})));
    EXPECT_FALSE(applies(newJob("x", "lighthouse")));
    EXPECT_FALSE(applies(jotted(shunter(), {"supply battery"})));
    EXPECT_EQ(find(findings(factsOf(newJob("x", "lighthouse"))), "reserve.none"), nullptr);
    const Seen waits = seen(jotted(shunter(), {chips, "decoder none"}), "reserve.decoder");
    EXPECT_EQ(waits.state, State::Ask);
    EXPECT_EQ(find(findings(factsOf(jotted(shunter(), {chips}))), "reserve.decoder"), nullptr);
}
TEST(ReserveChart, ShowsWhatItHoldsAndWhatIsNeeded) {
    EXPECT_FALSE(holdChart(factsOf(shunter())).has_value());
    const Job job = jotted(shunter(), {chips});
    const auto chart = holdChart(factsOf(job));
    ASSERT_TRUE(chart.has_value());
    EXPECT_TRUE(chart->holds);
    EXPECT_NEAR(chart->trace.front().bus.value(), 13.3 - 0.35, 1e-9);
    EXPECT_NEAR(chart->trace.back().bus.value(), 5, 1e-9);
    EXPECT_GT(chart->shown, chart->trace.back().time);
    EXPECT_EQ(chart->needed, dirt);
    const Job weak = railbus({"bank can-1000u-25 charge 100R diode 0.35V"});
    EXPECT_FALSE(holdChart(factsOf(weak))->holds);
    EXPECT_GE(holdChart(factsOf(weak))->shown, holdChart(factsOf(weak))->trace.back().time);
}

TEST(ReserveJots, FitABankWithItsChargePath) {
    const Job job = shunter();
    EXPECT_EQ(answer(chips, job),
              "Stay-alive: bank chips-3300u-25, charge resistor 220 Ω, diode 350 mV");
    EXPECT_EQ(answer("bank chips-3300u-25 in cab floor", job),
              "Stay-alive: bank chips-3300u-25, in the cab floor");
    EXPECT_EQ(answer("bank none", job), "No stay-alive");
    EXPECT_EQ(answer("bank none charge 100R", job),
              "✗ Without a bank there is nothing to charge and no place.");
    EXPECT_EQ(answer("charge 100R", job),
              "✗ There is no stay-alive yet. Fit one first: bank electrolytic-1000u-25.");
    EXPECT_EQ(answer("capacitance 1m", job).substr(0, 3), "✗");
    const Job fitted = jotted(job, {chips});
    EXPECT_EQ(answer("charge 47R", fitted), "Charge resistor: 47 Ω");
    EXPECT_EQ(answer("charge none", fitted), "Charge resistor: none");
    EXPECT_EQ(answer("diode 0.3V", fitted), "Diode past the charge resistor: 300 mV");
    EXPECT_EQ(answer("charge", fitted), "✗ What value? Write it like charge 100R.");
    EXPECT_EQ(answer("charge 47R none", fitted), "✗ 47 Ω and none: only one of them can be.");
    EXPECT_EQ(answer("capacitance 1900u", fitted), "Capacitance of the bank, measured: 1.9 mF");
    EXPECT_EQ(answer("diode 12V", fitted).substr(0, 3), "✗");
}
TEST(ReserveJots, ALiftTellsTheFaradsThatAreReallyThere) {
    const Job fitted = jotted(shunter(), {"bank module-22m-18"});
    const JobAnalysis facts = factsOf(fitted);
    const Seconds held = *bankState(facts, *fitted.bank, loadsOf(facts)).hold->time;
    const auto lifted = [&](double share) {
        const std::string line = "lift " + std::to_string(held.value() * share * 1000) + "ms";
        return jotted(fitted, {line.c_str()});
    };
    // The time is in proportion to the farads: half the time, half of what is printed.
    EXPECT_NEAR(capacitanceOf(*lifted(0.5).bank).value(), 11e-3, 1e-5);
    const Job half = lifted(0.5);
    const JobAnalysis after = factsOf(half);
    EXPECT_NEAR(bankState(after, *half.bank, loadsOf(after)).hold->time->value(), held.value() / 2,
                1e-6);
    const auto told = [](const Job& job) {
        for (const Finding& each : findings(factsOf(job))) {
            if (each.id == "reserve.capacitance") return plain(each.sentence);
        }
        return std::string();
    };
    EXPECT_EQ(told(half),
              "The bank has 11 mF, give or take " + percent(half.bank->measured->within) +
                  ", and 22 mF is printed on it: aged, dried out, or one of several is not "
                  "joined.");
    // Across a module no meter tells of it.
    const auto all = tests::checkedAll(half);
    EXPECT_EQ(plain(tests::finding(all, "reserve.capacitance").action), "another module");
    EXPECT_EQ(told(lifted(1)), "");
    EXPECT_EQ(told(fitted), "");
    EXPECT_EQ(answer("lift 2s", shunter()).substr(0, 3), "✗");
    EXPECT_EQ(answer("lift", fitted),
              "✗ How long did it go on? Write it like lift 2.1s, or lift nothing where it stopped "
              "at once.");
}
TEST(ReserveJots, FadingLampsTellTheFaradsWithoutTheMotor) {
    const Job fitted = jotted(shunter(), {"decoder middle", "lamp front white", "resistor front 1k",
                                          "bank electrolytic-2200u-25 charge 100R diode 0.35V"});
    const JobAnalysis facts = factsOf(fitted);
    const Loads still = standingStill(loadsOf(facts));
    EXPECT_EQ(still.bus.power, Watts{0});
    EXPECT_GT(loadsOf(facts).bus.power, Watts{0});
    const auto expected = bankState(facts, *fitted.bank, still).hold->time;
    ASSERT_TRUE(expected);
    // Held against the step-by-step fall of the same capacitor under the same loads.
    double volts = (bankState(facts, *fitted.bank, still).bus - Volts{0.35}).value();
    double time = 0;
    for (constexpr double step = 1e-6; volts > processorMinimum.value(); time += step) {
        volts -= still.bus.drawn(Volts{volts}).value() / 2.2e-3 * step;
    }
    EXPECT_NEAR(expected->value(), time, time * 1e-3);
    EXPECT_NEAR(
        *tests::figure(tests::finding(tests::checkedAll(fitted), "reserve.hold"), "t_fade").value,
        expected->value(), 1e-12);
    const std::string half = "fade " + std::to_string(expected->value() * 500) + "ms";
    const Job faded = jotted(fitted, {half.c_str()});
    EXPECT_NEAR(faded.bank->measured->value.value(), 1.1e-3, 1e-6);
    EXPECT_NE(answer(half.c_str(), fitted).find("standing still"), std::string::npos);
    // The motor draws too: the same time while it runs means more farads.
    const std::string lifted = "lift " + half.substr(5);
    EXPECT_GT(jotted(fitted, {lifted.c_str()}).bank->measured->value, faded.bank->measured->value);
    EXPECT_NE(answer("fade 2s", jotted(shunter(), {"bank electrolytic-2200u-25"}))
                  .find("no lamps that could fade"),
              std::string::npos);
}
TEST(ReserveJots, TheSameBankAgainKeepsWhatIsKnownAnotherForgetsIt) {
    const Job read = jotted(shunter(), {chips, "capacitance 3m"});
    const Job again = jotted(read, {"bank chips-3300u-25"});
    EXPECT_EQ(again.bank->charge, Ohms{220});
    EXPECT_TRUE(again.bank->measured.has_value());
    EXPECT_EQ(answer("bank module-22m-18", read),
              "Stay-alive: bank module-22m-18; the 3 mF read on the one before no longer count");
    EXPECT_FALSE(jotted(read, {"bank module-22m-18"}).bank->measured.has_value());
    // A board's own resistor and diode stand where nothing else was chosen.
    const Job module = jotted(read, {"bank module-22m-18"});
    EXPECT_EQ(pathOf(*module.bank).charge, Ohms{68});
    EXPECT_EQ(pathOf(*module.bank).diode, Volts{0.3});
}

/// A shunter whose left side hangs on its middle axle.
Job lame(std::initializer_list<const char*> lines = {}) {
    return jotted(jotted(shunter(), {"axle 1 none", "axle 3 right"}), lines);
}
const Finding* findOf(const std::vector<Finding>& all, const std::string& place) {
    return find(all, "reserve.crossing:" + place);
}

TEST(ReserveLoads, SoundDrawsTooAndLoudInTheWorstCase) {
    Job job = lame({"gap 5mm left", "bank chips-3300u-25 charge 220R diode 0.35V"});
    const Loads quiet = loadsOf(factsOf(job));
    const auto before = crossingOver(factsOf(job), quiet, places(job)[0], job.bank);
    const auto held = bankState(factsOf(job), *job.bank, quiet);
    job.decoder->part.sound = true;
    const Loads loads = loadsOf(factsOf(job));
    EXPECT_NEAR((loads.bus.power - quiet.bus.power).value(), 0.3, 1e-12);
    EXPECT_NEAR((loud(loads).bus.power - quiet.bus.power).value(), 1.0, 1e-12);
    EXPECT_EQ(loud(quiet).bus.power, quiet.bus.power);
    EXPECT_EQ(standingStill(loads).bus.power, Watts{0.3});
    EXPECT_TRUE(std::any_of(loads.figures.begin(), loads.figures.end(),
                            [](const Figure& each) { return each.symbol == "P_sound"; }));
    // On the crossing too, where the motor is reckoned by itself.
    const auto after = crossingOver(factsOf(job), loads, places(job)[0], job.bank);
    EXPECT_LT(after->crossing.lowestBus, before->crossing.lowestBus - Volts{0.3});
    const auto with = bankState(factsOf(job), *job.bank, loads);
    EXPECT_LT(*with.hold->time, *held.hold->time);
    // The worst case is that much worse: 1 W instead of 0.3.
    EXPECT_LT(*with.worst / *with.hold->time, *held.worst / *held.hold->time);
}
TEST(DeadPlaces, AreThoseOfTheLayoutElseUsualPoints) {
    EXPECT_EQ(places(shunter()).size(), 1U);
    EXPECT_NEAR(places(shunter())[0].length.value(), 28, 1e-9);
    // Sharper points have a shorter frog; a ruler knows better; a live one leaves nothing dead.
    const Job job = jotted(shunter(), {"points 1:6", "points 1:12 40mm", "gap 5mm right"});
    const auto all = places(job);
    ASSERT_EQ(all.size(), 3U);
    EXPECT_EQ(all[0].name, "points 1:12");
    EXPECT_TRUE(all[0].measured);
    EXPECT_NEAR(all[1].length.value(), 28 * 6 / 9.0, 1e-9);
    EXPECT_FALSE(all[1].measured);
    // Both ways through points, forwards and backwards; a gap has one.
    ASSERT_EQ(all[1].passages.size(), 4U);
    EXPECT_EQ(plain(words(all[1].passages[0])), "forwards, with the frog on its left");
    EXPECT_EQ(all[1].passages[0].dead.at(0).rail, Rails::Left);
    EXPECT_EQ(all[1].passages[1].dead.at(0).rail, Rails::Right);
    EXPECT_EQ(plain(words(all[1].passages[3])), "backwards, with the frog on its right");
    ASSERT_EQ(all[2].passages.size(), 2U);
    EXPECT_EQ(plain(words(all[2].passages[1])), "backwards");
    EXPECT_EQ(all[2].passages[0].dead.at(0).rail, Rails::Right);
    EXPECT_EQ(places(jotted(job, {"points 1:12 live"})).size(), 2U);
    EXPECT_EQ(places(jotted(job, {"points none"}))[0].name, "gap right 5 mm");
    EXPECT_EQ(places(jotted(job, {"points none", "gap none"}))[0].name, "points");
    // Of one kind only those go; "points" are all of them.
    const auto count = [&](std::initializer_list<const char*> lines) {
        return jotted(jotted(job, {"gap none", "points none", "points 1:9", "crossing 1:6",
                                   "double slip 1:9", "three-way 1:6"}),
                      lines)
            .layout.spots.size();
    };
    EXPECT_EQ(count({}), 4U);
    EXPECT_EQ(count({"crossing none"}), 3U);
    EXPECT_EQ(count({"crossing none", "crossing 1:6 live", "three-way none"}), 2U);
    EXPECT_EQ(count({"crossing 1:6 live"}), 3U);
    EXPECT_EQ(count({"points none"}), 0U);
    EXPECT_EQ(count({"gap 9mm left", "gap none"}), 4U);
    Job full = job;
    full.layout.spots.assign(49, DeadSpot{0, {}, Rails::Left, Millimetres{3}});
    EXPECT_EQ(jotted(full, {"points 1:9"}).layout.spots.size(), 50U);
    EXPECT_NE(answer("crossing 1:6", jotted(full, {"points 1:9"})).find("More than 50"),
              std::string::npos);
    // The same points again are measured anew, not there twice.
    EXPECT_EQ(places(jotted(job, {"points 1:6 15mm"})).size(), 3U);
    EXPECT_NEAR(places(jotted(shunter(), {"scale N", "points 1:9"}))[0].length.value(),
                28 * 87 / 160.0, 1e-9);
}
TEST(DeadPlaces, TheLongestAtTheSpeedThatWasSaidCounts) {
    const Job job = lame({"points 1:6 15mm", "gap 30mm left", "creep 10km/h"});
    EXPECT_NEAR(longestDead(job)->time.value(), 0.030 / (10 / 3.6 / 87), 1e-6);
    EXPECT_EQ(longestDead(job)->place.name, "gap left 30 mm");
    EXPECT_EQ(creep(job).kmh, 10);
    EXPECT_FALSE(creep(job).assumed);
    EXPECT_TRUE(creep(lame()).assumed);
}
TEST(DeadPlaces, AMotorMakesLessThereTheSlowerItGoes) {
    const Job slow = lame({"creep 10km/h"});
    EXPECT_NEAR(loadsOf(factsOf(slow)).bus.power.value(), (2.3076923 + (12 - 2.3076923) / 8) * 0.25,
                1e-6);
    const Drive drive = loadsOf(factsOf(slow)).drive;
    EXPECT_NEAR((drive.current * (drive.winding + drive.emf)).value(),
                loadsOf(factsOf(slow)).bus.power.value(), 1e-9);
    // Nobody read it: half of four volts turn it at the usual speed.
    const Drive usual = loadsOf(factsOf(jotted(newJob("x", "dock-shunter"), {"motor can"}))).drive;
    EXPECT_NEAR(usual.current.value(), 0.09, 1e-9);
    EXPECT_NEAR(usual.emf.value(), 2, 1e-9);
    EXPECT_NEAR(usual.winding.value(), 2, 1e-9);
}

TEST(Crossings, AreJudgedWherePlacesWereNamed) {
    EXPECT_EQ(findOf(findings(factsOf(lame())), "points"), nullptr);
    const Job job = lame({"points 1:9", "creep 14km/h"});
    const auto all = findings(factsOf(job));
    const Finding* one = findOf(all, "points 1:9");
    ASSERT_NE(one, nullptr);
    EXPECT_EQ(one->state, State::Over);
    // By hand (below) 0.97 mm, and as long as 47 µF last.
    EXPECT_TRUE(plain(one->sentence)
                    .starts_with("Stops on the dead 28 mm of points 1:9 at 14 km/h: without power "
                                 "it rolls 1.1 mm."))
        << plain(one->sentence);
    for (const Figure* figure : allFigures(*one)) {
        if (figure->symbol == "v") {
            EXPECT_EQ(shown(*figure), "0.0447 m/s");
        }
        if (figure->symbol == "d_roll") {
            EXPECT_EQ(shown(*figure), "0.9685 mm");
        }
    }
    // It stood where its power went out; one that gets over only was without.
    const auto darkness = [](const Finding& of) {
        for (const Figure* figure : allFigures(of)) {
            if (figure->symbol == "t_dead") return plain(figure->name);
        }
        return std::string();
    };
    EXPECT_EQ(darkness(*one), "Without power until it stood");
    const auto over = findings(factsOf(lame({"gap 5mm left",
                                             "bank chips-3300u-25 charge 220R "
                                             "diode 0.35V"})));
    EXPECT_EQ(darkness(*findOf(over, "gap left 5 mm")), "Without power");
    // Wheels before banks.
    EXPECT_EQ(one->options.at(0).jot, "axle 1 both");
    EXPECT_EQ(one->options.at(0).state, State::Fine);
    EXPECT_EQ(one->options.at(1).jot, "axle 3 both");
    const Job mended = jotted(job, {one->options.at(0).jot.c_str()});
    EXPECT_EQ(seen(mended, "reserve.crossing:points 1:9").state, State::Fine);
    EXPECT_EQ(seen(mended, "reserve.crossing:points 1:9").words,
              "Its wheels bridge the dead 28 mm of points 1:9: it is never without power there.");
    // On three rails wheels alone tell nothing.
    EXPECT_TRUE(seen(jotted(job, {"supply three-rail"}), "reserve.crossing:points 1:9")
                    .words.starts_with("Over the dead 28 mm of points 1:9 its slider decides"));
    // A gap in the other rail does not touch it: two axles collect there, 29.6 mm apart.
    EXPECT_EQ(seen(lame({"gap 28mm right"}), "reserve.crossing:gap right 28 mm").state,
              State::Fine);
    EXPECT_EQ(seen(lame({"gap 28mm left"}), "reserve.crossing:gap left 28 mm").state, State::Over);
    EXPECT_EQ(seen(lame({"gap 28mm both"}), "reserve.crossing:gap both 28 mm").state, State::Over);
}
TEST(Crossings, ABankCarriesItOrIsSpent) {
    const char* const spent = "bank chips-3300u-25 charge 220R diode 0.35V";
    EXPECT_TRUE(seen(lame({"points 1:9", spent}), "reserve.crossing:points 1:9")
                    .words.starts_with("Stops on the dead 28 mm of points 1:9 at 20 km/h: its bank "
                                       "is spent after "));
    // From the speed on at which it gets there before the bank is empty.
    const Job fast = lame({"gap 5mm left", spent});
    EXPECT_EQ(seen(fast, "reserve.crossing:gap left 5 mm").state, State::Fine);
    const Loads loads = loadsOf(factsOf(fast));
    const auto at = crossingOver(factsOf(fast), loads, places(fast)[0], fast.bank);
    const auto sweep = sweepOver(factsOf(fast), loads, at->way(), fast.bank);
    EXPECT_EQ(sweep.size(), 30U);
    EXPECT_EQ(sweep.front().how, Crossed::Stops);
    const auto from = sureFrom(sweep);
    ASSERT_TRUE(from.has_value());
    EXPECT_GT(*from, 2);
    EXPECT_LE(*from, 20);
    for (const AtSpeed& speed : sweep) {
        EXPECT_EQ(speed.how >= Crossed::Resets, speed.kmh < *from) << speed.kmh;
    }
    EXPECT_NE(
        seen(fast, "reserve.crossing:gap left 5 mm")
            .words.find(" Below " + std::to_string(static_cast<int>(*from)) + " km/h it does not."),
        std::string::npos);
}
TEST(Crossings, ABankThatIsMostlySpentTellsWhereItIsFullAgain) {
    const std::string points = "reserve.crossing:points 1:9";
    const auto with = [&](double share) {
        Job job = lame({"points 1:9", "bank module-22m-18"});
        job.bank->part.capacitance *= share;
        return job;
    };
    // Hardly used, and used up to the point that it just holds.
    const Job large = with(4);
    ASSERT_EQ(seen(large, points).state, State::Fine);
    EXPECT_EQ(seen(large, points).words.find("full again"), std::string::npos);
    EXPECT_TRUE(tests::figure(tests::finding(tests::checkedAll(large), points), "t_again").value);
    Job tight = large;
    for (double share = 3.8; share > 0.01; share *= 0.95) {
        const Job less = with(share);
        if (seen(less, points).state != State::Fine) break;
        tight = less;
    }
    const JobAnalysis facts = factsOf(tight);
    const auto at = crossingOver(facts, loadsOf(facts), places(tight)[0], tight.bank, false);
    ASSERT_TRUE(at);
    const Bank bank = onBus(facts, *tight.bank, loadsOf(facts));
    EXPECT_NEAR(at->fullAgain.value(), rechargeTime(bank, at->full, at->crossing.bankLeft).value(),
                1e-9);
    EXPECT_GT(at->fullAgain, Seconds{0});
    const bool most =
        (at->full - at->crossing.bankLeft) > (at->crossing.bankLeft - processorMinimum);
    EXPECT_EQ(seen(tight, points).words.find("full again") != std::string::npos, most);
    EXPECT_TRUE(most);
    const double rolled =
        modelSpeed(KilometresPerHour{20}, tight.scale.ratio).value() * at->fullAgain.value();
    EXPECT_NE(
        seen(tight, points)
            .words.find("Its bank is full again " + formattedWay(Metres{rolled}) + " further on"),
        std::string::npos)
        << seen(tight, points).words;
    // Without a bank there is nothing to fill.
    EXPECT_EQ(
        seen(lame({"gap 5mm left"}), "reserve.crossing:gap left 5 mm").words.find("full again"),
        std::string::npos);
}
TEST(Crossings, ABankWithoutADiodeIsNotSpentButGivesTooLittle) {
    const std::string words =
        seen(lame({"points 1:9", "bank electrolytic-2200u-25 charge 1k", "diode none"}),
             "reserve.crossing:points 1:9")
            .words;
    EXPECT_NE(words.find("gives too little back through its charge resistor"), std::string::npos)
        << words;
    EXPECT_EQ(formattedWay(Metres{0.4}), "400 mm");
    EXPECT_EQ(formattedWay(Metres{1.66}), "1.7 m");
}
TEST(Crossings, AFlywheelCarriesItOver) {
    // Read from 14 km/h it rolls 40 mm; from 10 km/h (10/14)² of that.
    const Job heavy = lame({"points 1:9", "creep 14km/h", "coast 40mm"});
    EXPECT_EQ(heavy.layout.coast->kmh, 14);
    EXPECT_EQ(seen(heavy, "reserve.crossing:points 1:9").state, State::Close);
    EXPECT_EQ(seen(heavy, "reserve.crossing:points 1:9").words,
              "Rolls over the dead 28 mm of points 1:9 at 14 km/h, but its decoder starts anew "
              "there. Only with the frog on its left.");
    const Job slow = jotted(heavy, {"creep 10km/h"});
    EXPECT_NEAR(*rollFigure(slow).value, 0.040 * 100 / 196, 1e-9);
    EXPECT_EQ(rollFigure(slow).basis.kind, Basis::Kind::Measured);
    EXPECT_EQ(seen(slow, "reserve.crossing:points 1:9").state, State::Over);
    // Nobody read it: v²/2a at 0.4 m/s².
    const Job worm =
        jotted(newJob("x", "dock-shunter"), {"motor can", "decoder middle", "creep 14km/h"});
    const double v = 14 / 3.6 / 87;
    EXPECT_NEAR(*rollFigure(worm).value, v * v / 0.8, 1e-9);
    EXPECT_EQ(rollFigure(worm).basis.kind, Basis::Kind::Assumed);
}
TEST(Crossings, TheWayWithMostTroubleIsShownFirst) {
    // Its right side hangs on one axle, and the frog is met on the left first.
    const Job job = jotted(shunter(), {"axle 1 left", "axle 3 left", "points 1:9"});
    const auto chart = crossingChart(factsOf(job), "");
    ASSERT_TRUE(chart.has_value());
    ASSERT_GE(chart->ways.size(), 2U);
    const auto trouble = [](const CrossingWay& way) {
        int sum = 0;
        for (const AtSpeed& each : way.sweep) sum += static_cast<int>(each.how);
        return sum;
    };
    for (std::size_t i = 1; i < chart->ways.size(); ++i) {
        EXPECT_GE(trouble(chart->ways[i - 1]), trouble(chart->ways[i])) << i;
    }
    EXPECT_GT(trouble(chart->ways.front()), trouble(chart->ways.back()));
    // The first way of the place itself is the harmless one.
    EXPECT_NE(chart->ways.front().passages.front(), 0U);
}
TEST(Crossings, WhatDragsItIsWhatItTakesRunningLight) {
    // 0.25 A at 12 V through 9.23 Ω: (12 − 2.308) · 0.25 = 2.423 W drag it at 80 km/h, 0.2554 m/s
    // in H0, where a can's rotor holds 0.3 J: it is gone after v²·E/(v_80·P).
    const double v = 14 / 3.6 / 87, fast = 80 / 3.6 / 87, watts = (12 - 12 / 1.3 * 0.25) * 0.25;
    const Job read = lame({"creep 14km/h"});
    EXPECT_NEAR(*rollFigure(read).value, v * v * 0.3 / (fast * watts), 1e-7);
    EXPECT_EQ(rollFigure(read).basis.kind, Basis::Kind::Computed);
    ASSERT_EQ(rollFigure(read).inputs.size(), 4U);
    EXPECT_EQ(rollFigure(read).inputs[3].basis.kind, Basis::Kind::Assumed);
    // A heavier rotor rolls on in proportion; two of a kind with two drags as one.
    EXPECT_NEAR(*rollFigure(jotted(read, {"motor open-frame"})).value,
                *rollFigure(read).value * 0.8 / 0.3, 1e-7);
    // Less current, less drag. Of several readings the largest counts.
    const auto light = [&](double amps) {
        Job job = read;
        for (TakenReading& each : job.units[0].motors[0].readings) {
            if (each.condition == MotorCondition::Light) each.amps = Amperes{amps};
        }
        return job;
    };
    const Job easy = light(0.1);
    EXPECT_NEAR(*rollFigure(easy).value, v * v * 0.3 / (fast * (12 - 12 / 1.3 * 0.1) * 0.1), 1e-7);
    EXPECT_NEAR(*rollFigure(jotted(easy, {"motor coreless"})).value,
                *rollFigure(easy).value * 0.08 / 0.3, 1e-7);
    EXPECT_EQ(*rollFigure(jotted(read, {"light 100mA 12V"})).value, *rollFigure(read).value);
    // Without a path its winding takes an unknown share: assumed.
    const Job half = jotted(newJob("x", "dock-shunter"), {"light 250mA 12V", "creep 14km/h"});
    EXPECT_EQ(rollFigure(half).basis.kind, Basis::Kind::Assumed);
    // What was seen of it counts before all that, and it never rolls for ever.
    EXPECT_EQ(rollFigure(jotted(read, {"coast 40mm"})).basis.kind, Basis::Kind::Measured);
    EXPECT_NEAR(*rollFigure(light(1e-3)).value, v * v / (2 * 0.05), 1e-6);
    EXPECT_NEAR(*rollFigure(jotted(light(0.6), {"motor coreless"})).value, v * v / (2 * 3), 1e-6);
}
TEST(Crossings, SayWhatCapacitanceItTakes) {
    const Job job = lame({"points 1:9"});
    const Loads loads = loadsOf(factsOf(job));
    const auto at = crossingOver(factsOf(job), loads, places(job)[0], {});
    const auto needed = capacitanceFor(factsOf(job), loads, *at);
    ASSERT_TRUE(needed.has_value());
    const auto withBank = [&](double share) {
        FittedBank bank;
        bank.part = {"own", "own", BankKind::Electrolytic, *needed * share, Volts{35},
                     {},    {},    Millimetres{1},         Millimetres{1},  Millimetres{1}};
        bank.charge = Ohms{100};
        bank.diode = usualDiode;
        return crossingOver(factsOf(job), loads, places(job)[0], bank)->crossing.how;
    };
    EXPECT_LE(withBank(1.001), Crossed::Dims);
    EXPECT_GT(withBank(0.97), Crossed::Dims);
    // Where its wheels bridge the place it takes none.
    const Job whole = jotted(shunter(), {"points 1:9"});
    const auto bridged =
        crossingOver(factsOf(whole), loadsOf(factsOf(whole)), places(whole)[0], {});
    EXPECT_FALSE(capacitanceFor(factsOf(whole), loadsOf(factsOf(whole)), *bridged).has_value());
}
TEST(Crossings, TellWhetherTheDeadRailWasMeasured) {
    for (const auto& [line, kind] : {std::pair{"points 1:9", Basis::Kind::Assumed},
                                     std::pair{"points 1:9 28mm", Basis::Kind::Measured}}) {
        const auto all = findings(factsOf(lame({line})));
        const Figure& volts = findOf(all, "points 1:9")->figures.at(0);
        const auto dead = std::find_if(volts.inputs.begin(), volts.inputs.end(),
                                       [](const Figure& each) { return each.symbol == "d"; });
        ASSERT_NE(dead, volts.inputs.end());
        EXPECT_EQ(dead->basis.kind, kind) << line;
    }
}
TEST(Crossings, InTheWorstCaseIsSaidToo) {
    // A bank that just does: with 20 % less it does not.
    const Job job = lame({"points 1:9"});
    const Loads loads = loadsOf(factsOf(job));
    const auto at = crossingOver(factsOf(job), loads, places(job)[0], {});
    Job just = job;
    just.bank = FittedBank{};
    just.bank->part = {"own",
                       "own",
                       BankKind::Electrolytic,
                       *capacitanceFor(factsOf(job), loads, *at),
                       Volts{35},
                       {},
                       {},
                       Millimetres{1},
                       Millimetres{1},
                       Millimetres{1}};
    just.bank->charge = Ohms{100};
    just.bank->diode = usualDiode;
    // As far as it dims it is still driven; slower only when the volts go below the motor's.
    const auto held =
        crossingOver(factsOf(just), loadsOf(factsOf(just)), places(just)[0], just.bank);
    EXPECT_LE(held->crossing.how, Crossed::Dims);
    EXPECT_GE(held->inTheWorst, Crossed::Slows);
    // What was read of it is what it has: then only the volts are at their least.
    const Farads needed = just.bank->part.capacitance;
    int differ = 0;
    for (double factor = 1; factor < 2; factor += 0.05) {
        just.bank->part.capacitance = needed * factor;
        just.bank->measured.reset();
        const auto printed =
            crossingOver(factsOf(just), loadsOf(factsOf(just)), places(just)[0], just.bank);
        just.bank->measured = FoundCapacitance{needed * factor, "", 0};
        const auto read =
            crossingOver(factsOf(just), loadsOf(factsOf(just)), places(just)[0], just.bank);
        EXPECT_EQ(read->crossing.how, printed->crossing.how) << factor;
        EXPECT_LE(read->inTheWorst, printed->inTheWorst) << factor;
        differ += read->inTheWorst < printed->inTheWorst ? 1 : 0;
    }
    EXPECT_GT(differ, 2);
}
TEST(Crossings, TheChartHasEveryWheelThatCollectsOnTheDeadRail) {
    const Job job = lame({"points 1:9", "gap 15mm right"});
    const auto chart = crossingChart(factsOf(job), "");
    ASSERT_TRUE(chart.has_value());
    EXPECT_EQ(chart->at.place.name, "points 1:9");
    // The worst way first: the frog on its left, where one axle collects; that is so backwards too.
    ASSERT_EQ(chart->ways.size(), 2U);
    EXPECT_EQ(chart->way().passages, (std::vector<std::size_t>{0, 2}));
    EXPECT_EQ(chart->passage().dead.at(0).rail, Rails::Left);
    EXPECT_EQ(chart->ways[1].crossing.how, Crossed::Untouched);
    ASSERT_EQ(chart->way().wheels.size(), 1U);
    EXPECT_EQ(chart->way().wheels[0].axle, 2);
    EXPECT_NEAR((chart->way().wheels[0].to - chart->way().wheels[0].from).value(), 28, 1e-9);
    EXPECT_TRUE(chart->way().stands());
    EXPECT_NEAR(chart->speed.value(), 20 / 3.6 / 87, 1e-9);
    // Of two that are equally bad the longer one.
    EXPECT_EQ(crossingChart(factsOf(lame({"points 1:6", "points 1:9"})), "")->at.place.name,
              "points 1:9");
    // As far as the wheels that matter are over it, with some room.
    EXPECT_NEAR((chart->way().wheels[0].from - chart->way().from).value(), 6, 1e-9);
    EXPECT_NEAR((chart->way().to - chart->way().wheels[0].to).value(), 12, 1e-9);
    EXPECT_LT(chart->way().crossing.trace.back().travel, chart->way().outages.at(0).to);
    const auto gap = crossingChart(factsOf(job), "gap right 15 mm");
    EXPECT_EQ(gap->at.place.name, "gap right 15 mm");
    ASSERT_EQ(gap->way().wheels.size(), 2U);
    EXPECT_EQ(gap->way().wheels[0].axle, 2);
    EXPECT_EQ(gap->way().wheels[1].axle, 3);
    EXPECT_FALSE(gap->way().stands());
    // Between two moments straight, before the first and behind the last as there.
    const auto& trace = chart->way().crossing.trace;
    EXPECT_EQ(chart->momentAt(trace.front().travel - Millimetres{50}).bus, trace.front().bus);
    EXPECT_EQ(chart->momentAt(trace.back().travel + Millimetres{50}).bus, trace.back().bus);
    const CrossingMoment middle = chart->momentAt((trace[10].travel + trace[11].travel) / 2.0);
    EXPECT_NEAR(middle.bus.value(), (trace[10].bus + trace[11].bus).value() / 2, 1e-9);
    EXPECT_NEAR(middle.speed.value(), (trace[10].speed + trace[11].speed).value() / 2, 1e-9);
    // A third rail is not told from wheels alone.
    EXPECT_FALSE(crossingChart(factsOf(jotted(job, {"supply three-rail"})), "").has_value());
}
TEST(Crossings, SayOnWhichWaysItIsSo) {
    // Both directions, one frog of the two.
    EXPECT_NE(seen(lame({"points 1:9"}), "reserve.crossing:points 1:9")
                  .words.find(" Only with the frog on its left."),
              std::string::npos);
    // All ways alike: nothing to add.
    EXPECT_EQ(seen(lame({"gap 28mm left"}), "reserve.crossing:gap left 28 mm").words.find(" Only "),
              std::string::npos);
    // On the right two axles collect 29.6 mm apart: of 37 mm they leave 7.7, over which it rolls.
    EXPECT_NE(seen(lame({"points 1:12", "coast 15mm"}), "reserve.crossing:points 1:12")
                  .words.find(" That is so with the frog on its left; else it starts anew."),
              std::string::npos)
        << seen(lame({"points 1:12", "coast 15mm"}), "reserve.crossing:points 1:12").words;
    CrossingState at;
    at.place.passages = {{text("left"), false, {}},
                         {text("right"), false, {}},
                         {text("left"), true, {}},
                         {text("right"), true, {}}};
    const auto only = [&](std::vector<Crossed> ways) {
        at.ways = std::move(ways);
        at.passage = static_cast<std::size_t>(std::max_element(at.ways.begin(), at.ways.end()) -
                                              at.ways.begin());
        return plain(onlyWays(at));
    };
    const Crossed good = Crossed::Carried, bad = Crossed::Stops;
    EXPECT_EQ(only({bad, bad, bad, bad}), "");
    EXPECT_EQ(only({bad, good, bad, good}), "left");
    EXPECT_EQ(only({good, good, bad, bad}), "backwards");
    EXPECT_EQ(only({good, bad, good, good}), "forwards, right");
    EXPECT_EQ(only({bad, bad, bad, good}), "left; forwards");
}
TEST(Crossings, BackwardsWhatComesLastIsMetFirst) {
    // Left collects in front alone: one gap behind the other is met in the other order.
    const Job job = jotted(shunter(), {"axle 2 right", "axle 3 right"});
    Passage passage{{},
                    false,
                    {{Rails::Left, Millimetres{0}, Millimetres{5}},
                     {Rails::Left, Millimetres{30}, Millimetres{45}}}};
    const auto axles = collectingAxles(job);
    const auto forwards = outagesOn(axles, passage).value();
    passage.backwards = true;
    const auto backwards = outagesOn(axles, passage).value();
    ASSERT_EQ(forwards.size(), 2U);
    ASSERT_EQ(backwards.size(), 2U);
    const Millimetres wheel = axles.back().x - axles.front().x;
    EXPECT_NEAR((backwards[0].from - (forwards[0].from - axles.front().x)).value(), wheel.value(),
                1e-9);
    // The picture beneath it: where the track lies under the front axle the same wheel is dead.
    CrossingChart chart;
    chart.axles = axles;
    chart.at.place.passages = {passage};
    chart.ways.resize(1);
    chart.ways[0].passages = {0};
    for (const double travel : {-3.0, 1.0, 4.9, 5.1, 31.0, 44.0, 46.0, 70.0}) {
        const Millimetres led = wheel + Millimetres{travel};  // the rear axle goes first
        const TrackUnder under = chart.under(led);
        const Millimetres at = under.travel - axles.front().x;
        const bool dead =
            std::any_of(under.dead.begin(), under.dead.end(),
                        [&](const DeadLength& each) { return at >= each.from && at <= each.to; });
        const bool meant = (travel >= 0 && travel <= 5) || (travel >= 30 && travel <= 45);
        EXPECT_EQ(dead, meant) << travel;
    }
}
TEST(Crossings, ASliderBridgesWhatIsShorter) {
    const Job job = jotted(shunter(), {"supply three-rail", "collector slider 45mm"});
    EXPECT_EQ(seen(jotted(job, {"gap 28mm middle"}), "reserve.crossing:gap middle 28 mm").state,
              State::Fine);
    // 45 mm of it touch: what is dead beyond that it rolls without power.
    const Job longer = jotted(job, {"gap 60mm middle"});
    EXPECT_EQ(seen(longer, "reserve.crossing:gap middle 60 mm").state, State::Over);
    EXPECT_NEAR(longestDead(longer)->time.value(), 0.015 / (20 / 3.6 / 87), 1e-6);
    // Frogs are of one pole with both rails; one outer rail alone is made up for by the other.
    EXPECT_EQ(longestDead(jotted(job, {"points 1:9"}))->time.value(), 0);
    EXPECT_EQ(longestDead(jotted(job, {"gap 200mm left"}))->time.value(), 0);
    EXPECT_GT(longestDead(jotted(job, {"gap 200mm both"}))->time.value(), 0);
    const auto chart = crossingChart(factsOf(longer), "");
    ASSERT_TRUE(chart.has_value());
    ASSERT_EQ(chart->way().wheels.size(), 1U);
    EXPECT_EQ(chart->way().wheels[0].axle, -1);
    EXPECT_NEAR((chart->way().wheels[0].to - chart->way().wheels[0].from).value(), 15, 1e-9);
    // Two of them are told apart.
    const auto two =
        crossingChart(factsOf(jotted(longer, {"collector roller 20mm", "gap 60mm middle"})), "");
    ASSERT_EQ(two->way().wheels.size(), 2U);
    EXPECT_NE(two->way().wheels[0].axle, two->way().wheels[1].axle);
    EXPECT_NE(answer("gap 28mm middle", shunter()).find("no middle one"), std::string::npos);
}
TEST(Crossings, AClampedBankBeginsAtItsClamp) {
    const Job job = lame(
        {"gap 5mm left", "bank electrolytic-2200u-25", "charge 100R", "diode 0.35V", "clamp 9V"});
    const auto clamped =
        crossingOver(factsOf(job), loadsOf(factsOf(job)), places(job)[0], job.bank);
    ASSERT_TRUE(clamped.has_value());
    EXPECT_LT(clamped->crossing.lowestBus, Volts{9});
    const Job free = jotted(job, {"clamp none"});
    const auto full =
        crossingOver(factsOf(free), loadsOf(factsOf(free)), places(free)[0], free.bank);
    EXPECT_GT(full->crossing.lowestBus, clamped->crossing.lowestBus + Volts{2});
}
TEST(Crossings, AreWorthWhatBecomesOfTheModel) {
    for (const Crossed how : {Crossed::Untouched, Crossed::Carried, Crossed::Dims})
        EXPECT_EQ(stateOf(how), State::Fine);
    EXPECT_EQ(stateOf(Crossed::Slows), State::Close);
    EXPECT_EQ(stateOf(Crossed::Resets), State::Close);
    EXPECT_EQ(stateOf(Crossed::Stops), State::Over);
}
TEST(Crossings, TheChartTellsSpeedsAsThePrototypeGoes) {
    const auto chart = crossingChart(factsOf(lame({"points 1:6 15mm", "creep 15km/h"})), "");
    ASSERT_TRUE(chart.has_value());
    CrossingMoment moment;
    moment.speed = chart->speed;
    EXPECT_NEAR(chart->kmhAt(moment), 15, 1e-9);
    moment.speed = chart->speed / 3.0;
    EXPECT_NEAR(chart->kmhAt(moment), 5, 1e-9);
}
TEST(Collectors, AreOfferedOnlyWhereTheyBridgeBothWaysThrough) {
    // Left collects on the outer axles, right on the first alone; 59 mm lie between the outer ones,
    // 30 mm between neighbours.
    const Job job = jotted(shunter(), {"axle 2 none", "axle 3 left", "points 1:9 40mm"});
    const Place place = places(job).front();
    const auto options = collectorOptions(factsOf(job), place);
    ASSERT_EQ(options.size(), 1U);
    EXPECT_EQ(options[0].jot, "axle 3 both");
    // Dead rail that neighbours bridge: either will do.
    const Job less = jotted(shunter(), {"axle 2 none", "axle 3 left", "points 1:9 20mm"});
    EXPECT_EQ(collectorOptions(factsOf(less), places(less).front()).size(), 2U);
}
TEST(Crossings, ANeighboursWheelsAreOfferedBeforeAnyBank) {
    // The shunter collects with one wheel on the left; the coach behind it with all of its own.
    const Job alone = jotted(shunter(), {"axle 1 right", "axle 3 right", "decoder middle",
                                         "unit saloon called coach", "points 1:9"});
    Job train = alone;
    for (Axle& axle : train.units[1].body.axles) axle.collectsLeft = axle.collectsRight = true;
    const Place place = places(train).front();
    const auto options = collectorOptions(factsOf(train), place);
    ASSERT_FALSE(options.empty());
    EXPECT_EQ(options[0].jot, "contacts 2");
    const Job shared = jotted(train, {"contacts 2"});
    EXPECT_EQ(shared.couplings[0].contacts, 2);
    EXPECT_EQ(seen(shared, "reserve.crossing:points 1:9").state, State::Fine);
    const auto now = collectorOptions(factsOf(shared), place);
    EXPECT_TRUE(std::none_of(now.begin(), now.end(),
                             [](const Option& one) { return one.jot == "contacts 2"; }));
    // A neighbour that collects nothing helps nobody.
    Job dead = train;
    for (Axle& axle : dead.units[1].body.axles) axle.collectsLeft = axle.collectsRight = false;
    for (const Option& option : collectorOptions(factsOf(dead), place))
        EXPECT_NE(option.jot, "contacts 2");
    // Of three units it is said behind which.
    const Job three = jotted(train, {"unit saloon called tail"});
    EXPECT_EQ(collectorOptions(factsOf(three), place).at(0).jot,
              "contacts 2 behind " + unitCalled(three, 0));
    EXPECT_EQ(jotted(three, {"contacts 4 behind coach"}).couplings[1].contacts, 4);
    EXPECT_EQ(answer("contacts 4", three).substr(0, 3), "✗");
    EXPECT_EQ(answer("contacts 4 behind tail", three).substr(0, 3), "✗");
    EXPECT_EQ(answer("contacts 2.5", train).substr(0, 3), "✗");
    EXPECT_EQ(answer("contacts 2", shunter()),
              "✗ It is one unit: there is no coupling that wires go across.");
    EXPECT_EQ(jotted(shared, {"contacts 0"}).couplings[0].contacts, 0);
}
TEST(Crossings, NumbersOfAxlesAreThoseOfTheTrain) {
    Job train = jotted(newJob("x", "dock-shunter"),
                       {"unit saloon called coach", "decoder small", "points 1:9"});
    const auto alone = crossingChart(factsOf(train), "");
    ASSERT_TRUE(alone.has_value());
    EXPECT_EQ(alone->way().wheels.back().axle, 3);
    train.decoder->placement = Fitted{train.units[1].id, "", {}};
    const auto coach = crossingChart(factsOf(train), "");
    ASSERT_TRUE(coach.has_value());
    EXPECT_EQ(coach->way().wheels.front().axle, 4);
}
TEST(Crossings, LinesAreTakenAsMeantOrRefused) {
    EXPECT_EQ(answer("points 1:6 crossing", shunter()),
              "A crossing 1:6 with a dead frog: usually 18.7 mm of a rail");
    EXPECT_EQ(answer("points curved 1:9 25mm", shunter()),
              "Curved points 1:9: 25 mm of a rail are dead, by the ruler");
    // Of one number there may be several kinds.
    const Job kinds = jotted(shunter(), {"points 1:9", "points 1:9 three-way",
                                         "points 1:9 double slip", "points 1:9 20mm"});
    EXPECT_EQ(kinds.layout.spots.size(), 3U);
    EXPECT_EQ(jotted(kinds, {"points 1:9 three-way live"}).layout.spots.size(), 2U);
    EXPECT_EQ(answer("points 1:9", shunter()),
              "Points 1:9 with a dead frog: usually 28 mm of a rail");
    EXPECT_EQ(answer("points 1:9 live", shunter()),
              "Points 1:9 with a live frog: they give power all along");
    EXPECT_EQ(answer("points 30mm 1:9", shunter()),
              "Points 1:9: 30 mm of a rail are dead, by the ruler");
    EXPECT_EQ(answer("creep at 14 km/h", shunter()),
              "Goes over dead places of its layout at 14 km/h");
    EXPECT_EQ(answer("gap 12 mm left", shunter()), "A gap of 12 mm in the left rail of its layout");
    for (const char* const line : {"points", "points 30mm", "points 1:9 live 30mm",
                                   "points none 30mm", "gap 12mm", "gap left", "gap none 12mm",
                                   "gap 12mm none left", "creep", "creep 14", "creep 900km/h"}) {
        EXPECT_TRUE(answer(line, shunter()).starts_with("✗")) << line << answer(line, shunter());
    }
}

}  // namespace
}  // namespace glimmet::core::stay_alive
