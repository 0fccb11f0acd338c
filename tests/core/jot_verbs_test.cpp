// Each verb of the jot language, with what it takes, what it changes and what it refuses.
#include "core/work/jot.h"
#include "core/work/record_lines.h"
#include "core/work/stage_status.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::shunter;

Job after(const std::string& line, const Job& job = shunter()) {
    const auto result = applyLine(line, job, tests::smallCatalogue(), "2026-03-02");
    EXPECT_TRUE(result.has_value()) << line << ": " << (result ? "" : plain(result.error().what));
    return result ? result->after : job;
}
std::string refusal(const std::string& line, const Job& job = shunter()) {
    const auto result = applyLine(line, job, tests::smallCatalogue(), "2026-03-02");
    EXPECT_FALSE(result.has_value()) << line;
    return result ? "" : plain(result.error().what);
}
ErrorCode code(const std::string& line, const Job& job = shunter()) {
    return applyLine(line, job, tests::smallCatalogue(), "2026-03-02").error().code;
}
const Job lit = jotted(shunter(), {"lamp front white", "parallel front red", "lamp rear red"});

TEST(JotSupply, TakesKindsAndMeasuredDrops) {
    EXPECT_EQ(after("supply battery").feed, Feed::BatteryRadio);
    EXPECT_EQ(after("supply DC").feed, Feed::PlainDc);
    EXPECT_EQ(after("rectifier 0").supply.rectifier->value, Volts{0});
    EXPECT_EQ(after("bridge 350mV").supply.bridge->value, Volts{0.35});
    EXPECT_EQ(after("switch .08V").supply.outputSwitch->on, "2026-03-02");
    EXPECT_EQ(refusal("supply steam"),
              "“steam” is none of: dcc, three-rail, dc, battery, fixed dc, reversing dc, ac, usb.");
    EXPECT_EQ(code("rectifier 9V"), ErrorCode::OutOfRange);
    EXPECT_EQ(code("bridge -1V"), ErrorCode::OutOfRange);
}
TEST(JotSupply, TakesAMeasurementBack) {
    EXPECT_FALSE(after("track unknown", jotted(shunter(), {"track 16V"})).supply.volts.has_value());
}
TEST(JotMotor, TakesKindAndFrameInAnyOrder) {
    const Job job = after("motor frame-return open-frame");
    EXPECT_EQ(job.units.at(0).motors.at(0).kind, MotorKind::OpenFrame);
    EXPECT_EQ(job.units.at(0).frame, FrameKind::FrameReturn);
    EXPECT_EQ(job.units.at(0).motors.at(0).readings.size(), 3U);  // what was read stays
    EXPECT_FALSE(!after("motor none").units.at(0).motors.empty());
    EXPECT_TRUE(!after("motor coreless", after("motor none")).units.at(0).motors.empty());
    EXPECT_NE(refusal("motor steam").find("can, coreless, open-frame"), std::string::npos);
    EXPECT_EQ(code("motor"), ErrorCode::Missing);
}
TEST(JotMotor, HasNothingToReadWithoutAMotor) {
    const Job none = jotted(shunter(), {"motor none"});
    for (const char* line : {"stall 1A 12V", "slip 1A", "haul 1A", "light 1A", "ohms 9"}) {
        EXPECT_EQ(refusal(line, none), "Shunter has no motor to read.");
    }
}
TEST(JotOhms, TakesSeveralRotorPositions) {
    const Job job = jotted(shunter(), {"ohms 9R8", "ohms 10.1", "ohms 9.9 ohms"});
    ASSERT_EQ(job.units.at(0).motors.at(0).windings.size(), 3U);
    EXPECT_NEAR(job.units.at(0).motors.at(0).windings[0].value.value(), 9.8, 1e-12);
    EXPECT_EQ(after("remove ohms", job).units.at(0).motors.at(0).windings.size(), 2U);
    EXPECT_EQ(code("ohms 0"), ErrorCode::OutOfRange);
    EXPECT_EQ(code("ohms"), ErrorCode::Missing);
    EXPECT_EQ(after("ohms 9.8 9.6 10.1").units.at(0).motors.at(0).windings.size(), 3U);
}
TEST(JotAxle, SaysWhichWheelsCollect) {
    const auto sides = [](const std::string& line) {
        const Axle axle = after(line).units.at(0).body.axles[1];
        return std::pair{axle.collectsLeft, axle.collectsRight};
    };
    EXPECT_EQ(sides("axle 2 left"), (std::pair{true, false}));
    EXPECT_EQ(sides("axle 2 collects right only"), (std::pair{false, true}));
    EXPECT_EQ(sides("axle 2 none"), (std::pair{false, false}));
    EXPECT_EQ(sides("axle 2 both"), (std::pair{true, true}));
    EXPECT_EQ(refusal("axle 4 left"), "There is no axle “4”. There are: 1, 2, 3.");
    EXPECT_EQ(code("axle left"), ErrorCode::Missing);
    EXPECT_EQ(code("axle 2"), ErrorCode::Missing);
    // What was found of the wheels stays when the model becomes another length or scale.
    const Job found = after("axle 2 left");
    EXPECT_FALSE(after("length 142mm", found).units.at(0).body.axles[1].collectsRight);
    EXPECT_NEAR(after("length 142mm", found).units.at(0).body.length.value(), 142, 1e-9);
    EXPECT_FALSE(after("scale N", found).units.at(0).body.axles[1].collectsRight);
    EXPECT_NEAR(after("scale N", found).units.at(0).body.length.value(), 9200.0 / 160, 1e-9);
}
TEST(JotScale, TakesTheLampsAlong) {
    const Job small = after("scale N", lit);
    const LampSite& site = small.units.at(0).body.sites[0];
    EXPECT_EQ(small.groups[0].rows[0].lamps[0].fitted.place, site.name);
    EXPECT_EQ(small.groups[0].rows[0].lamps[0].fitted.pose.at, site.at);
    // One with a place of its own keeps its share of the length and height.
    const Job own = after("place rear 50mm 20mm", lit);
    const Job longer = after("length 142mm", own);
    const Point at = longer.groups[1].rows[0].lamps[0].fitted.pose.at;
    EXPECT_NEAR(at.x.value(), 50 * 142 / own.units.at(0).body.length.value(), 1e-9);
    EXPECT_NEAR(at.z.value(),
                20 * longer.units.at(0).body.height.value() / own.units.at(0).body.height.value(),
                1e-9);
}
TEST(JotRule, ChangesTheVerdict) {
    EXPECT_EQ(after("rule running").own.rule, RatingRule::Running);
    EXPECT_EQ(worstState(findings(after("rule strict"), tests::smallCatalogue())), State::Over);
    EXPECT_EQ(refusal("rule brave"), "“brave” is none of: strict, slip, running, house.");
}
TEST(JotMargin, TakesPerCentOrAShare) {
    EXPECT_NEAR(*after("margin 10%").own.closeMargin, 0.10, 1e-12);
    EXPECT_NEAR(*after("margin 0.2").own.closeMargin, 0.2, 1e-12);
    EXPECT_EQ(after("margin 0").own.closeMargin, 0);
    EXPECT_EQ(code("margin 95%"), ErrorCode::OutOfRange);
    EXPECT_EQ(code("margin -5%"), ErrorCode::OutOfRange);
    EXPECT_EQ(code("margin wide"), ErrorCode::NotUnderstood);
}
TEST(JotDecoder, FitsACopyOfThePartByIdOrName) {
    EXPECT_EQ(after("decoder large").decoder->part.peak, Amperes{4.0});
    EXPECT_EQ(after("decoder decoder large").decoder->part.id, "large");
    EXPECT_FALSE(after("decoder none").decoder.has_value());
    EXPECT_EQ(refusal("decoder giant"),
              "No decoder goes by “giant”. The catalogue has: small, middle, large, board, "
              "four-wire-1.0, none.");
}

TEST(JotDecoder, TheSameAgainKeepsWhatWasMeasuredOnIt) {
    const Job found = jotted(shunter(), {"decoder board", "output front 680R", "output rear bare"});
    const Job again = after("decoder board", found);
    EXPECT_EQ(again.decoder->part.outputs[0].series, Ohms{680});
    EXPECT_EQ(again.decoder->part.outputs[0].seriesMeasured, "2026-03-02");
    EXPECT_EQ(again.decoder->part.outputs[1].series, Ohms{0});
    EXPECT_FALSE(again.decoder->part.outputs[2].series.has_value());
    const auto said = [&](const std::string& line) {
        return plain(applyLine(line, found, tests::smallCatalogue(), "")->meaning);
    };
    EXPECT_EQ(said("decoder board"), "Decoder: decoder board");
    // Another one says what goes with the old one.
    EXPECT_EQ(said("decoder large"),
              "Decoder: decoder large; what was found on the outputs of decoder board no longer "
              "counts: front, rear");
    EXPECT_EQ(said("decoder none"),
              "No decoder; what was found on the outputs of decoder board no longer counts: front, "
              "rear");
    EXPECT_EQ(after("decoder large", found).decoder->part.outputs[0].series, Ohms{0});
    EXPECT_TRUE(after("decoder large", found).decoder->part.outputs[0].seriesMeasured.empty());
}
TEST(JotSupply, AnotherKindDoesNotKeepTheVoltsOfTheOld) {
    const Job read = jotted(shunter(), {"track 14.8V"});
    EXPECT_FALSE(after("supply dc", read).supply.volts.has_value());
    EXPECT_EQ(after("supply dcc", read).supply.volts->value, Volts{14.8});
    EXPECT_EQ(after("supply dc 12V", read).supply.volts->value, Volts{12});
    EXPECT_EQ(after("supply dc 12V", read).supply.volts->on, "2026-03-02");
    EXPECT_EQ(after("supply dc", shunter()).feed, Feed::PlainDc);
}
TEST(JotLamp, KeepsTheReadingWhereItIsSaidAgainWhatItIs) {
    const Job read = jotted(shunter(), {"lamp rear red 2.0V 20mA"});
    const auto lampAfter = [&](const std::string& line) {
        return after(line, read).groups[0].rows[0].lamps[0];
    };
    EXPECT_TRUE(lampAfter("lamp rear red").measured);
    EXPECT_TRUE(lampAfter("lamp rear red for 3mA").measured);
    EXPECT_EQ(lampAfter("lamp rear red").part.forward->voltage, Volts{2.0});
    EXPECT_FALSE(lampAfter("lamp rear amber").measured);
    EXPECT_FALSE(lampAfter("lamp rear amber").part.forward.has_value());
    EXPECT_TRUE(lampAfter("lamp rear amber 2.1V 20mA").measured);
}
TEST(JotLamp, KnowsEveryFamilyAndTint) {
    for (const auto& [family, word] : wordsOf(LedFamily())) {
        const Job job = after("lamp cab " + std::string(name(family)));
        EXPECT_EQ(job.groups.at(0).rows[0].lamps[0].part.family, family);
    }
    EXPECT_EQ(after("lamp cab warm white").groups[0].rows[0].lamps[0].part.tint, "warm");
    EXPECT_EQ(after("lamp cab cool-white-3mm").groups[0].rows[0].lamps[0].part.name,
              "cool white 3 mm");
}
TEST(JotLamp, ChoosesTheOutputThatThePlaceSuggests) {
    EXPECT_EQ(after("lamp front white").groups[0].output, "front");
    EXPECT_EQ(after("lamp rear red").groups[0].output, "rear");
    EXPECT_EQ(after("lamp cab white").groups[0].output, "1");
    EXPECT_EQ(after("lamp cab white on rear").groups[0].output, "rear");
    EXPECT_EQ(after("lamp cab white on green").groups[0].output, "1");
    EXPECT_EQ(after("lamp cab white on supply").groups[0].output, "supply");
    EXPECT_EQ(
        refusal("lamp cab white on pink"),
        "No output goes by “pink”. There are: front (white), rear (yellow), 1 (green), supply "
        "(always lit).");
    EXPECT_EQ(code("lamp cab white on"), ErrorCode::Missing);
    const Job saloon = tests::newJob("Aurora", "saloon", {});
    EXPECT_EQ(after("lamp table white", saloon).groups[0].output, "supply");
    const Job bare = jotted(shunter(), {"decoder none"});
    EXPECT_EQ(after("lamp rear red", bare).groups[0].output, "rear");
}
TEST(JotLamp, GetsANameOfItsOwnInTheMiddleOnlyWhereItIsCalledSo) {
    EXPECT_EQ(refusal("lamp fire glow amber"),
              "“fire” is no place of this model. There are: front lamp, rear lamp, cab lamp. "
              "Elsewhere a lamp gets a name: lamp white called fire.");
    EXPECT_EQ(
        refusal("lamp amber called"),
        "Behind “called” something is missing: WORDS. Write it like lamp rear red 2.0V 20mA.");
    const Job job = after("lamp amber called fire glow");
    EXPECT_EQ(job.groups[0].name, "fire glow");
    EXPECT_EQ(job.groups[0].rows[0].lamps[0].fitted.pose.at.x, job.units.at(0).body.length / 2.0);
    EXPECT_EQ(job.groups[0].rows[0].lamps[0].fitted.pose.facing, Facing::Inside);
}
TEST(JotLamp, AsksForWhatItLeavesOut) {
    const std::string which =
        "Which lamp? Name its place, like lamp rear red 2.0V 20mA, or give it a name: lamp amber "
        "called fire glow.";
    EXPECT_EQ(refusal("lamp"), which);
    EXPECT_EQ(refusal("lamp red"), which);
    EXPECT_EQ(
        refusal("lamp rear 12V 6.1mA"),
        "“12V” is out of range: 800 mV to 6 V is allowed. No LED alone bears more. With its "
        "resistor inside it is: wired rear 12V 6.1mA 9V 4.1mA; a bulb is: bulb cab 12V 60mA.");
    EXPECT_EQ(refusal("lamp rear 0.3V 6.1mA").find("wired"), std::string::npos);
    EXPECT_EQ(refusal("lamp cab 2V 20mA"), "Which colour? Write it like lamp rear red 2.0V 20mA.");
    EXPECT_NE(refusal("lamp cab red 2V").find("needs the current it was read at"),
              std::string::npos);
    EXPECT_EQ(code("lamp rear", lit), ErrorCode::Missing);
}
TEST(JotLamp, RefusesAPointThatNoLedHas) {
    EXPECT_EQ(code("lamp cab white 0.1V 20mA"), ErrorCode::OutOfRange);
    EXPECT_EQ(code("lamp rear 0.01V 20mA", lit), ErrorCode::OutOfRange);
    EXPECT_EQ(code("parallel front white 0.1V 20mA", lit), ErrorCode::OutOfRange);
}
TEST(JotLamp, MeasuresALampThatIsThereWithoutNamingItsColourAgain) {
    const Job job = after("lamp rear 1.9V 10mA", lit);
    const Lamp& lamp = groupNamed(job, "rear lamp")->rows[0].lamps[0];
    EXPECT_TRUE(lamp.measured);
    EXPECT_EQ(lamp.part.family, LedFamily::Red);
    const Job again = after("lamp rear amber", job);
    EXPECT_FALSE(groupNamed(again, "rear lamp")->rows[0].lamps[0].measured);
}
TEST(JotParallel, IsLikeItsNeighbourWhereNothingIsSaid) {
    const Job job = after("parallel rear", lit);
    EXPECT_EQ(job.groups[1].rows[1].lamps[0].part, job.groups[1].rows[0].lamps[0].part);
    EXPECT_FALSE(job.groups[1].rows[1].resistor.has_value());
    EXPECT_NE(job.groups[1].rows[1].lamps[0].fitted.pose.at,
              job.groups[1].rows[0].lamps[0].fitted.pose.at);
    EXPECT_NE(refusal("parallel roof", lit).find("No lamp goes by “roof”"), std::string::npos);
}

TEST(JotResistor, TakesAnyWayOfWritingOhms) {
    for (const char* line : {"resistor rear 2k2", "resistor rear 2.2k", "resistor rear 2200",
                             "resistor rear 2,2 kΩ"}) {
        EXPECT_EQ(groupNamed(after(line, lit), "rear lamp")->rows[0].resistor, Ohms{2200}) << line;
    }
    EXPECT_EQ(code("resistor rear -5", lit), ErrorCode::OutOfRange);
    EXPECT_EQ(code("resistor rear 1e9", lit), ErrorCode::OutOfRange);
    EXPECT_EQ(code("resistor rear", lit), ErrorCode::Missing);
    EXPECT_EQ(refusal("resistor rear 1k"),
              "There is no lamp yet. Add one first: lamp front white.");
}
TEST(JotCircuit, AWishIsAsBrightAsAnotherLampInAnyOfTheWaysOneSaysIt) {
    const Job two = jotted(shunter(), {"lamp front white for 4mA", "lamp rear red"});
    for (const auto& [line, wished] : {std::pair{"target rear like front", 4e-3},
                                       {"wish rear as bright as front", 4e-3},
                                       {"wish rear as bright as the front one", 4e-3},
                                       {"target rear lamp as front lamp", 4e-3},
                                       {"target rear half of front", 2e-3},
                                       {"wish rear half as bright as front", 2e-3},
                                       {"wish rear twice as bright as the front lamp", 8e-3}}) {
        EXPECT_DOUBLE_EQ(groupNamed(after(line, two), "rear lamp")->wish.target.value(), wished)
            << line;
    }
    EXPECT_EQ(refusal("wish rear as bright as", two),
              "Behind “as” something is missing: AS. Write it like target front 3mA.");
    for (const char* line :
         {"target rear of front", "target rear half", "target rear half like front",
          "target rear half of front as front", "target rear like front as front"}) {
        EXPECT_EQ(refusal(line, two),
                  "Half of which lamp? Write it like target rear half of front.")
            << line;
    }
}
TEST(JotCircuit, TakesSharedTargetAndSeries) {
    EXPECT_EQ(after("shared front 330", lit).groups[0].shared(), Ohms{330});
    EXPECT_EQ(after("shared front none", after("shared front 330", lit)).groups[0].shared(),
              Ohms{0});
    EXPECT_EQ(after("target rear 1.5mA", lit).groups[1].wish.target, Amperes{0.0015});
    EXPECT_EQ(after("series front e96", lit).groups[0].wish.series, Series::E96);
    EXPECT_EQ(refusal("series front E13", lit),
              "“E13” means nothing here. Did you mean E12? Write it like series front E24.");
    EXPECT_EQ(refusal("series front loud", lit),
              "“loud” is none of: E6, E12, E24, E96, and no LED either.");
    EXPECT_EQ(code("target front 5A", lit), ErrorCode::OutOfRange);
}
TEST(JotCircuit, SaysWhichLampsThereAreWhereANameFitsSeveral) {
    const Job two = jotted(tests::newJob("two", "railcar", {}),
                           {"decoder middle", "lamp front white", "lamp front tail red on 1"});
    EXPECT_EQ(two.groups.size(), 2U);
    const Job many = jotted(
        two, {"lamp white on rear called cab roof", "lamp white on supply called cab floor"});
    EXPECT_EQ(refusal("resistor cab 1k", many),
              "“cab” can be several: cab roof, cab floor. Write the whole name.");
    EXPECT_EQ(refusal("resistor fro 1k", two),
              "No lamp goes by “fro”. There are: front lamp, front tail lamp.");
    EXPECT_EQ(refusal("resistor front lamp/x 1k", two),
              "“lamp/x” has no place in a line of resistor. Write it like resistor front 2k2.");
    EXPECT_EQ(refusal("resistor front lamp/0 1k", two), "Rows are counted from 1.");
}
TEST(JotOutput, RecordsABoardResistorByNameOrWire) {
    EXPECT_EQ(after("output rear 470R").decoder->part.outputs[1].series, Ohms{470});
    EXPECT_EQ(after("output yellow 470R").decoder->part.outputs[1].series, Ohms{470});
    EXPECT_EQ(
        refusal("output pink bare"),
        "The decoder has no output “pink”. There are: front (white), rear (yellow), 1 (green).");
    EXPECT_EQ(code("output rear"), ErrorCode::Missing);
    EXPECT_EQ(code("output rear lots"), ErrorCode::NotUnderstood);
    EXPECT_EQ(code("output rear 470R", jotted(shunter(), {"decoder none"})), ErrorCode::Unknown);
}
TEST(JotPlace, MovesTheWholeRow) {
    const Job job = after("place front/2 3mm 41mm", jotted(lit, {"inline front/2 red"}));
    const LampRow& row = job.groups[0].rows[1];
    EXPECT_EQ(row.lamps[0].fitted.pose.at, (Point{Millimetres{3}, Millimetres{41}}));
    EXPECT_EQ(row.lamps[1].fitted.pose.at.z, Millimetres{41});
    EXPECT_EQ(code("place front 3mm", lit), ErrorCode::Missing);
    EXPECT_EQ(code("place front 3m 9m", lit), ErrorCode::OutOfRange);
}

TEST(JotRecord, KeepsNotesTimesAndNames) {
    const Job job = jotted(shunter(), {"note clip broken rear left", "time 25m wiring",
                                       "time 1.5h test run", "owner R. Tide"});
    EXPECT_EQ(job.notes.back().words, "clip broken rear left");
    EXPECT_EQ(job.notes.back().on, "2026-03-02");
    ASSERT_EQ(job.times.size(), 2U);
    EXPECT_NEAR(job.times[0].time.value(), 1500, 1e-9);
    EXPECT_EQ(job.times[1].what, "test run");
    EXPECT_EQ(job.owner, "R. Tide");
    EXPECT_EQ(after("owner", job).owner, "");
    EXPECT_EQ(code("note"), ErrorCode::Missing);
    EXPECT_EQ(code("time wiring"), ErrorCode::Missing);
    EXPECT_EQ(code("time 25m"), ErrorCode::Missing);
    EXPECT_EQ(code("time -5 min wiring"), ErrorCode::OutOfRange);
    EXPECT_EQ(code("name"), ErrorCode::OutOfRange);
    EXPECT_EQ(code("name " + std::string(500, 'x')), ErrorCode::OutOfRange);
}
TEST(JotRecord, LeavesOneWhereOneIs) {
    for (const char* line : {"note x", "time 5m wiring", "name x", "owner x"}) {
        EXPECT_TRUE(applyLine(line, shunter(), tests::smallCatalogue(), "")->stage.empty()) << line;
    }
}
TEST(RecordLines, TellOwnerWishTimeAndNotesNewestFirst) {
    Job job = jotted(shunter(), {"owner R. Tide", "time 25m wiring", "time 5m wiring", "note first",
                                 "note second"});
    job.wish = "slow shunting";
    std::vector<std::string> lines;
    for (const Text& line : recordLines(job)) lines.push_back(plain(line));
    EXPECT_EQ(lines, (std::vector<std::string>{"Owner: R. Tide", "Wish: slow shunting",
                                               "Time spent: 30 min", "2026-03-02: second",
                                               "2026-03-02: first"}));
    EXPECT_TRUE(recordLines(shunter()).empty());
}
TEST(RecordLines, CutLongNotesAtAWholeCharacter) {
    const Job job = jotted(shunter(), {"note ååååå"});  // two bytes each
    EXPECT_EQ(plain(recordLines(job, 5)[0]), "2026-03-02: åå…");
    EXPECT_EQ(plain(recordLines(job, 10)[0]), "2026-03-02: ååååå");
}
TEST(JotScale, SetsTheUsualTrackVoltsUntilTheyAreMeasured) {
    EXPECT_EQ(usualVolts(after("scale n").feed, after("scale n").scale), Volts{12});
    EXPECT_EQ(usualVolts(after("scale h0").feed, after("scale h0").scale), Volts{14.5});
    EXPECT_EQ(usualVolts(after("scale 0").feed, after("scale 0").scale), Volts{16});
    EXPECT_EQ(usualVolts(after("scale G").feed, after("scale G").scale), Volts{18});
    EXPECT_EQ(after("scale 00").scale.name, "OO");
    EXPECT_EQ(code("scale 000"), ErrorCode::NotUnderstood);
}

TEST(JotLamp, GoesIntoTheUnitThatIsNamedOrNowhere) {
    const Job two = tests::jotted(tests::newJob("x", "dock-shunter"),
                                  {"motor can", "decoder middle", "unit saloon called coach"});
    const auto unitOfFirst = [](const Job& job) {
        return job.groups.at(0).rows.at(0).lamps.at(0).fitted.unit;
    };
    const auto lamp = [&](const Job& job, const char* line) { return tests::jotted(job, {line}); };
    EXPECT_EQ(unitOfFirst(lamp(two, "lamp front white")), two.units[0].id);
    EXPECT_EQ(unitOfFirst(lamp(two, "lamp roof in coach white")), two.units[1].id);
    EXPECT_EQ(tests::answer("lamp front in coach white", two),
              "✗ coach has no front lamp. It has: roof lamp, table lamp, tail lamp. Elsewhere a "
              "lamp gets a name: lamp white called front lamp.");
    EXPECT_EQ(tests::answer("bulb front in coach 16V 50mA", two).substr(0, 27),
              "✗ coach has no front lamp");
    // One that is there in another unit is not changed.
    const Job shining = lamp(two, "lamp front white");
    EXPECT_EQ(tests::answer("lamp front in coach red", shining).substr(0, 27),
              "✗ coach has no front lamp");
    EXPECT_EQ(tests::answer("lamp front in 1 red", shining), "front lamp: red LED");
    // Two that have such a place: asked which, under the name that it then has.
    const Job three = tests::jotted(two, {"unit saloon called tail car"});
    EXPECT_EQ(tests::answer("lamp roof white", three),
              "✗ In which unit? There are: 1, coach, tail car. Write it behind: in tail car.");
    const Job both =
        tests::jotted(three, {"lamp roof in coach white", "lamp roof in tail car red"});
    ASSERT_EQ(both.groups.size(), 2U);
    EXPECT_EQ(both.groups[0].name, "coach roof lamp");
    EXPECT_EQ(both.groups[1].rows[0].lamps[0].fitted.unit, both.units[2].id);
    EXPECT_EQ(unitOfFirst(lamp(three, "lamp coach roof white")), three.units[1].id);
    // A name of its own wants the unit as before.
    EXPECT_EQ(unitOfFirst(lamp(two, "lamp amber called glow in coach")), two.units[1].id);
    // A unit by itself is said behind its word.
    EXPECT_EQ(tests::answer("lamp coach roof white", two),
              "✗ “coach” is said behind “in”: in coach.");
    EXPECT_EQ(code("lamp coach roof white", two), ErrorCode::NotUnderstood);
}
}  // namespace
}  // namespace glimmet::core
