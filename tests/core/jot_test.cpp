#include "core/work/jot.h"

#include "core/analysis/motor_evidence.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"

#include <gtest/gtest.h>

#include <random>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::shunter;
using tests::smallCatalogue;

Result<JotResult> read(const std::string& line, const Job& job = shunter()) {
    return applyLine(line, job, smallCatalogue(), "2026-03-02");
}
Job afterLine(const std::string& line, const Job& job = shunter()) {
    const auto result = read(line, job);
    EXPECT_TRUE(result.has_value()) << line << ": " << (result ? "" : plain(result.error().what));
    return result ? result->after : job;
}
std::string whyRefused(const std::string& line, const Job& job = shunter()) {
    const auto result = read(line, job);
    return result ? "(understood as: " + plain(result->meaning) + ")" : plain(result.error().what);
}
std::string meaning(const std::string& line, const Job& job = shunter()) {
    const auto result = read(line, job);
    return result ? plain(result->meaning) : "(refused: " + plain(result.error().what) + ")";
}

TEST(Jot, TakesAStallTestInAnyOrderAndWithBlanksBeforeUnits) {
    for (const char* line :
         {"stall 1.15A 12V", "stall 12V 1.15A", "  Stall 1.15 A 12 V  ", "stall 1150mA 12volts"}) {
        const auto result = read(line);
        ASSERT_TRUE(result.has_value()) << line << plain(result.error().what);
        const TakenReading& taken = result->after.units.at(0).motors.at(0).readings.back();
        EXPECT_EQ(taken.condition, MotorCondition::Stalled);
        EXPECT_NEAR(taken.amps.value(), 1.15, 1e-12);
        EXPECT_NEAR(taken.volts->value(), 12, 1e-12);
        EXPECT_EQ(taken.on, "2026-03-02");
        EXPECT_EQ(plain(result->meaning), "Stall test: 1.15 A at 12 V");
        EXPECT_EQ(result->stage, "measure");
    }
}
TEST(Jot, TakesTheOtherReadings) {
    EXPECT_EQ(meaning("slip 420mA"), "Wheels slipping: 420 mA");
    EXPECT_EQ(meaning("haul 350mA 12V"), "Hauling: 350 mA at 12 V");
    EXPECT_EQ(meaning("light .18A 12V"), "Running light: 180 mA at 12 V");
    EXPECT_EQ(meaning("ohms 9.8"), "Winding: 9.8 Ω");
    EXPECT_EQ(meaning("track 14.8V"), "Track or supply volts: 14.8 V");
    EXPECT_EQ(meaning("time 25m wiring"), "25 min on wiring");
    EXPECT_EQ(meaning("rule strict"), "For this job: rating rule strict");
}
TEST(Jot, SaysWhatIsMissingFromAReading) {
    EXPECT_EQ(whyRefused("stall 1.15A"),
              "A stall test needs the volts at that moment too, because they sag. Write it "
              "like stall 1.15A 12V.");
    EXPECT_EQ(whyRefused("stall"), "A reading needs its current. Write it like stall 1.15A 12V.");
    EXPECT_EQ(whyRefused("stall 1A 12V hot"),
              "“hot” has no place in a line of stall. Write it like stall 1.15A 12V.");
}
TEST(Jot, RefusesWhatNoModelDraws) {
    EXPECT_EQ(whyRefused("stall 1.15MA 12V"),
              "“1.15MA” is out of range: 5 mA to 20 A is allowed. Did you mean 1.15 A?");
    EXPECT_EQ(whyRefused("stall 0A 12V"), "“0A” is out of range: 5 mA to 20 A is allowed.");
    EXPECT_EQ(whyRefused("stall -1A 12V"), "“-1A” is out of range: 5 mA to 20 A is allowed.");
    EXPECT_EQ(whyRefused("track nanV"),
              "“nanV” has no place in a line of track. Write it like track 14.8V.");
    EXPECT_NE(whyRefused("track 1e9V").find("out of range"), std::string::npos);
}
TEST(Jot, ExplainsUnknownWordsAndGuessesNearOnes) {
    EXPECT_EQ(whyRefused("stal 1A 12V"),
              "“stal” means nothing here. Did you mean stall? Write it like stall 1.15A 12V.");
    EXPECT_EQ(whyRefused("clip broken"),
              "“clip” means nothing here. Did you mean slip? Write it like slip 420mA.");
    EXPECT_NE(whyRefused("wheelbarrow").find("F1 lists what can be typed"), std::string::npos);
    EXPECT_EQ(whyRefused("   "), "Type what you just measured, like stall 1.15A 12V.");
}
TEST(Jot, NeverChangesTheJobItReads) {
    const Job job = shunter();
    const Job copy = job;
    ASSERT_TRUE(read("stall 1.5A 12V", job).has_value());
    ASSERT_FALSE(read("stall 1.5A", job).has_value());
    EXPECT_EQ(job, copy);
}

TEST(Jot, AddsALampAtItsSiteOnTheOutputOfItsEnd) {
    const auto result = read("lamp front white");
    ASSERT_TRUE(result.has_value());
    const LampGroup& group = result->after.groups.at(0);
    EXPECT_EQ(group.name, "front lamp");
    EXPECT_EQ(group.output, "front");
    EXPECT_FALSE(group.rows[0].resistor.has_value());
    EXPECT_EQ(group.rows[0].lamps[0].fitted.pose.facing, Facing::Front);
    EXPECT_EQ(result->subject, group.id);
    EXPECT_EQ(result->stage, "lamps");
}
TEST(Jot, TakesAMeasuredLampAsMeasured) {
    const auto result = read("lamp rear red 2.0V 20mA");
    ASSERT_TRUE(result.has_value());
    const Lamp& lamp = result->after.groups.at(0).rows[0].lamps[0];
    EXPECT_TRUE(lamp.measured);
    EXPECT_EQ(lamp.part.family, LedFamily::Red);
    EXPECT_NEAR(lamp.part.forward->voltage.value(), 2.0, 1e-12);
    EXPECT_NEAR(lamp.part.forward->current.value(), 0.02, 1e-12);
}
TEST(Jot, TakesACurrentAsTheWishOnlyWhereItSaysSo) {
    EXPECT_EQ(afterLine("lamp front white for 3mA").groups.at(0).wish.target, Amperes{0.003});
    // 20 mA alone can be half of a reading.
    EXPECT_NE(whyRefused("lamp rear red 20mA").find("can be a reading or a wish"),
              std::string::npos);
}
TEST(Jot, DescribesALampThatIsThereInsteadOfAddingASecond) {
    const Job job = jotted(shunter(), {"lamp rear red"});
    const auto result = read("lamp rear red 1.9V 10mA", job);
    ASSERT_TRUE(result.has_value());
    EXPECT_EQ(result->after.groups.size(), 1U);
    EXPECT_TRUE(result->after.groups[0].rows[0].lamps[0].measured);
}
TEST(Jot, PutsASecondLampOfAnOutputBesideTheFirstOnlyWhereItSaysSo) {
    const Job job = jotted(shunter(), {"lamp front white"});
    EXPECT_EQ(meaning("lamp cab white on white", job),
              "New lamp: cab lamp, white LED, beside front lamp on output front, with a resistor "
              "of its own");
    const Job both = afterLine("lamp cab white on white", job);
    ASSERT_EQ(both.groups.size(), 1U);
    EXPECT_EQ(both.groups[0].rows.size(), 2U);
    // A wish of its own it cannot have there; and another lamp's output is not taken over.
    EXPECT_NE(whyRefused("lamp cab white for 3mA on white", job).find("share one wish"),
              std::string::npos);
    const Job two = jotted(shunter(), {"lamp front white", "lamp cab white on green"});
    EXPECT_EQ(whyRefused("lamp front white on green", two),
              "Output 1 already feeds cab lamp. Move that first, or put a lamp beside it: parallel "
              "cab lamp.");
}
TEST(Jot, MovesALampToAnotherOutputAndSaysSo) {
    const Job job = jotted(shunter(), {"lamp front white for 2mA"});
    EXPECT_EQ(meaning("lamp front on green for 3mA", job),
              "front lamp: wished 3 mA; on output 1, not on front any more");
    const Job moved = afterLine("lamp front on green for 3mA", job);
    EXPECT_EQ(moved.groups[0].output, "1");
    EXPECT_EQ(moved.groups[0].wish.target, Amperes{0.003});
}
TEST(Jot, TakesNoOutputThatIsNotFreeUnasked) {
    Job job = tests::newJob("two", "railcar", {});
    job = jotted(job, {"decoder middle", "lamp front white"});
    EXPECT_NE(whyRefused("lamp front tail red", job).find("On which output?"), std::string::npos);
}
TEST(Jot, BuildsParallelAndSeriesGroups) {
    const Job job =
        jotted(shunter(), {"lamp front white", "parallel front red", "inline front/2 red"});
    ASSERT_EQ(job.groups[0].rows.size(), 2U);
    EXPECT_EQ(job.groups[0].rows[0].lamps.size(), 1U);
    EXPECT_EQ(job.groups[0].rows[1].lamps.size(), 2U);
}
TEST(Jot, FitsResistorsToARowOrToAll) {
    const Job two = jotted(shunter(), {"lamp front white", "parallel front"});
    const Job all = jotted(two, {"resistor front 2k2"});
    EXPECT_EQ(all.groups[0].rows[1].resistor, Ohms{2200});
    const Job one = jotted(two, {"resistor front lamp/2 4k7"});
    EXPECT_FALSE(one.groups[0].rows[0].resistor.has_value());
    EXPECT_EQ(one.groups[0].rows[1].resistor, Ohms{4700});
    EXPECT_EQ(jotted(all, {"resistor front none"}).groups[0].rows[0].resistor, Ohms{0});
    EXPECT_FALSE(jotted(all, {"resistor front open"}).groups[0].rows[0].resistor.has_value());
}
TEST(Jot, FindsALampByItsOutputOrWireToo) {
    const Job job = jotted(shunter(), {"lamp rear red"});
    EXPECT_EQ(meaning("resistor yellow 1k", job), "rear lamp: resistor 1 kΩ");
    EXPECT_EQ(meaning("resistor REAR 1k", job), "rear lamp: resistor 1 kΩ");
    EXPECT_EQ(whyRefused("resistor front 1k", job),
              "No lamp goes by “front”. There are: rear lamp.");
    EXPECT_EQ(whyRefused("resistor rera 1k", job),
              "“rera” means nothing here. Did you mean rear? Write it like resistor front 2k2.");
    EXPECT_EQ(whyRefused("resistor rear/3 1k", job), "rear lamp has 1 rows.");
}
TEST(Jot, RemovesReadingsRowsAndLamps) {
    const Job job = jotted(shunter(), {"lamp front white", "parallel front"});
    EXPECT_EQ(read("remove front/2", job)->after.groups[0].rows.size(), 1U);
    EXPECT_TRUE(read("remove front", job)->after.groups.empty());
    const auto struck = read("remove stall", job)->after;
    EXPECT_EQ(motorEvidence(struck.units.at(0).motors.at(0)).readings.size(), 2U);
    EXPECT_EQ(whyRefused("remove stall", struck), "There is no stall reading to remove.");
    EXPECT_EQ(whyRefused("remove haul", job), "There is no haul reading to remove.");
}
TEST(Jot, RecordsWhatAnOutputCarries) {
    const Job job = jotted(shunter(), {"decoder board"});
    const auto result = read("output front 680R", job);
    EXPECT_EQ(result->after.decoder->part.outputs[0].series, Ohms{680});
    EXPECT_EQ(result->after.decoder->part.outputs[0].seriesMeasured, "2026-03-02");
    EXPECT_EQ(read("output white bare", job)->after.decoder->part.outputs[0].series, Ohms{0});
}
TEST(Jot, TakesNoWordsThatTheRecordCouldNotKeep) {
    const std::string longer(401, 'x'), longest(400, 'x');
    const Job job = tests::busy();
    for (const std::string line :
         {"bad ", "bad buffers ", "complaint ", "answer hums ", "loose ", "loose step bag ", "off ",
          "fails ", "continue ", "remark ", "owner ", "refuse sound ", "time 25m "}) {
        EXPECT_EQ(whyRefused(line + longer, job).find("That is too long"), 0U) << line;
        const auto taken = read(line + longest, job);
        ASSERT_TRUE(taken.has_value()) << line << whyRefused(line + longest, job);
        const auto back = store::jobFromJson(store::jobToJson(taken->after));
        ASSERT_TRUE(back.has_value()) << line << ": " << plain(back.error().what);
        EXPECT_EQ(*back, taken->after) << line;
    }
    EXPECT_TRUE(read("wants " + std::string(90000, 'x'), job).has_value());
}
TEST(Jot, StopsBeforeAListIsTooLongForTheRecord) {
    for (const char* line : {"loose step", "off screw", "oiled gears", "bad step gone",
                             "complaint hums", "remark grinds", "crawl forward 3V"}) {
        if (tests::sanitized && line[0] != 'o') continue;  // the others are of the same make
        Job job = tests::shunter();
        bool refused = false;
        for (int i = 0; i < 1200 && !refused; ++i) {
            auto taken = read(line, job);
            refused = !taken.has_value();
            if (taken) job = std::move(taken->after);
        }
        EXPECT_TRUE(refused) << line;
        EXPECT_TRUE(store::jobFromJson(store::jobToJson(job)).has_value()) << line;
    }
}
TEST(Jot, KeepsNotesOfAnyScriptAndLength) {
    const std::string words = "клип сломан 🚂 مكسور " + std::string(10000, 'x');
    const auto result = read("note " + words);
    ASSERT_TRUE(result.has_value());
    EXPECT_EQ(result->after.notes.back().words, words);
    EXPECT_FALSE(read("note " + std::string(100001, 'x')).has_value());
    EXPECT_EQ(read("name 🚂 \"Ling\" مرحبا")->after.name, "🚂 \"Ling\" مرحبا");
}
TEST(Jot, FitsTheUsualBodyToScaleAndLengthButNotAnOwnProfile) {
    EXPECT_NEAR(read("scale N")->after.units.at(0).body.length.value(), 9200.0 / 160, 0.01);
    EXPECT_NEAR(read("length 142mm")->after.units.at(0).body.length.value(), 142, 1e-9);
    Job own = shunter();
    own.units.at(0).body.ownMeasures = true;
    EXPECT_EQ(read("scale N", own)->after.units, own.units);
    // What was measured keeps its other measures.
    const Body longer = read("length 142mm", own)->after.units.at(0).body;
    EXPECT_EQ(longer.length, Millimetres{142});
    EXPECT_EQ(longer.height, own.units.at(0).body.height);
}
TEST(Jot, LinesOfEarlierDaysStandWhereTheyBelongInTheLog) {
    Job job = afterLine("light 240mA 12V");
    const auto before = job.units[0].motors[0].readings.size();
    job = afterLine("on 2026-02-11 light 150mA 12V", job);
    job = afterLine("light 170mA 12V 2026-02-20", job);
    job = afterLine("2026-02-11: light 155mA 12V", job);
    const auto& log = job.units[0].motors[0].readings;
    ASSERT_EQ(log.size(), before + 3);
    std::vector<std::string> days;
    for (const TakenReading& each : log) days.push_back(each.on);
    EXPECT_TRUE(std::is_sorted(days.begin(), days.end()));
    EXPECT_EQ(log.back().on, "2026-03-02");  // what was read today still counts as the last
    EXPECT_EQ(log.back().amps, Amperes{0.24});
    // Of one day in the order in which they were entered.
    std::vector<double> early;
    for (const TakenReading& each : log)
        if (each.on == "2026-02-11") early.push_back(each.amps.value());
    EXPECT_EQ(early, (std::vector<double>{0.15, 0.155}));

    job = afterLine("ohms 9.8", job);
    job = afterLine("on 2026-01-05 ohms 9.6", job);
    EXPECT_EQ(job.units[0].motors[0].windings.front().on, "2026-01-05");
    job = afterLine("oiled gears on 2026-01-05", afterLine("oiled worm", job));
    EXPECT_EQ(job.intake.oiled.front().point, "gears");
    // A note may end with a date of its own.
    job = afterLine("note it was new on 2025-12-24", job);
    EXPECT_EQ(job.notes.back().on, "2026-03-02");
    EXPECT_EQ(job.notes.back().words, "it was new on 2025-12-24");
    EXPECT_EQ(afterLine("on 2025-12-24 note it was new", job).notes.back().on, "2025-12-24");
}
TEST(Jot, RefusesInTheWordsOfTheVerbAtTheBeginning) {
    // "output" is a verb too, and would find fault with "lamp".
    EXPECT_NE(whyRefused("lamp rear amber on output 9").find("No output goes by “9”"),
              std::string::npos);
}
TEST(Jot, EveryListedExampleIsUnderstoodSomewhere) {
    const Job job = jotted(shunter(), {"lamp front white", "parallel front red", "lamp rear red"});
    const Job train = tests::busy();
    const Job middle = jotted(shunter(), {"supply three-rail"});
    const Job house = jotted(tests::newJob("House", "house"), {"supply fixed dc 12V"});
    for (const JotForm& form : jotForms()) {
        for (const std::string example : form.examples) {
            EXPECT_TRUE(read(example, job).has_value() || read(example).has_value() ||
                        read(example, train).has_value() || read(example, middle).has_value() ||
                        read(example, house).has_value())
                << example << ": " << whyRefused(example, job);
        }
    }
}
// Whatever is typed, the answer is a job or a sentence, never nothing and never a crash.
TEST(Jot, AnswersAnyRubbishWithASentence) {
    std::mt19937 random(5);
    const std::vector<std::string> bits{"stall", "lamp",  "resistor", "output",   "front",
                                        "1.15A", "12V",   "/",        "/0",       "/99999999999",
                                        "red",   "4k7",   "-",        "\xff\xfe", "💡",
                                        "on",    "\t",    "none",     "e",        "1e",
                                        "E24",   "place", "3mm",      "remove",   "%1",
                                        "“",     "",      "time",     "0"};
    std::uniform_int_distribution<std::size_t> pick(0, bits.size() - 1), length(0, 7);
    const Job job = jotted(shunter(), {"lamp front white"});
    for (int trial = 0; trial < (tests::sanitized ? 1000 : 5000); ++trial) {
        std::string line;
        for (std::size_t n = length(random) + 1; n > 0; --n) line += bits[pick(random)] + " ";
        const auto result = read(line, job);
        EXPECT_FALSE(plain(result ? result->meaning : result.error().what).empty()) << line;
    }
}

}  // namespace
}  // namespace glimmet::core
