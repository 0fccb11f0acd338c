// Intake and the proof on plain DC: each thing that is said is seen to be said and to stay silent.
#include "core/analysis/motor_figures.h"
#include "core/work/intake/album.h"
#include "core/work/intake/look_list.h"
#include "core/work/intake/suspects.h"
#include "support/findings.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <set>

namespace glimmet::core {
namespace {

using tests::factsOf;
using tests::found;
using tests::jotted;
using tests::newJob;
using tests::smallCatalogue;
using tests::stateOf;

bool says(const Job& job, std::string_view id) {
    return found(findings(factsOf(job)), id) != nullptr;
}
std::string sentence(const Job& job, std::string_view id) {
    const auto all = findings(factsOf(job));
    const Finding* one = found(all, id);
    return one ? plain(one->sentence) : "";
}
std::set<std::string> items(const Job& job) {
    std::set<std::string> all;
    for (const intake::LookItem& item : intake::lookList(job)) all.insert(item.id);
    return all;
}
Job plainJob() { return newJob("x", "dock-shunter"); }

TEST(TakenApart, GoesTogetherBackwards) {
    EXPECT_FALSE(says(plainJob(), "intake.apart"));
    Job job = jotted(plainJob(), {"off two screws", "off hood", "off gear cover"});
    EXPECT_EQ(sentence(job, "intake.apart"),
              "3 things are off. First back on: step 3, gear cover.");
    job = jotted(job, {"refitted"});
    EXPECT_FALSE(job.intake.takenOff[2].back.empty());
    EXPECT_EQ(sentence(job, "intake.apart"), "2 things are off. First back on: step 2, hood.");
    // Out of its order it is taken, and what is in the way is said.
    const auto early = applyLine("refitted two screws", job, smallCatalogue(), "2026-03-02");
    EXPECT_EQ(plain(early->meaning),
              "Back on: step 1, two screws. It came off before hood, which is still off.");
    job = early->after;
    EXPECT_EQ(sentence(job, "intake.apart"), "One thing is off: hood.");
    EXPECT_FALSE(applyLine("refitted two screws", job, smallCatalogue(), "").has_value());
}
TEST(TakenApart, IsSilentOnceAllIsBackOn) {
    const Job job = jotted(plainJob(), {"off hood", "refitted"});
    EXPECT_FALSE(says(job, "intake.apart"));
    EXPECT_EQ(plain(applyLine("refitted", job, smallCatalogue(), "").error().what),
              "Nothing is off.");
}
TEST(Photos, AreOfTheModelASpotOrAStep) {
    const std::string sum(64, 'b'), other(64, 'c');
    Job job = jotted(plainJob(), {"off hood", "bad buffers bent"});
    job = jotted(job, {("photo sum " + sum).c_str(), ("photo of hood sum " + other).c_str()});
    ASSERT_EQ(job.intake.photos.size(), 2U);
    EXPECT_EQ(plain(intake::photographed(job, job.intake.photos[0].of)), "the model");
    EXPECT_EQ(plain(intake::photographed(job, job.intake.photos[1].of)), "step 1, hood");
    EXPECT_EQ(plain(intake::photographed(job, "T99")), "the model");  // of what is gone
    // Said again, it is of something else, and there is still one of it.
    job = jotted(job, {("photo of bent sum " + sum).c_str()});
    ASSERT_EQ(job.intake.photos.size(), 2U);
    EXPECT_EQ(plain(intake::photographed(job, job.intake.photos[1].of)), "bent");
    job = jotted(job, {"discard photo sum ccc"});
    ASSERT_EQ(job.intake.photos.size(), 1U);
    EXPECT_EQ(job.intake.photos[0].sum, sum);
    for (const char* line : {"photo sum 123", "photo sum BBB", "discard photo sum c", "photo"}) {
        EXPECT_FALSE(applyLine(line, job, smallCatalogue(), "").has_value()) << line;
    }
}

TEST(LookList, FollowsFromKindAgeAndFeed) {
    const auto fresh = items(jotted(plainJob(), {"arrives new"}));
    EXPECT_TRUE(fresh.contains("glue"));
    EXPECT_FALSE(fresh.contains("gears"));
    EXPECT_FALSE(fresh.contains("paint"));
    const auto old = items(jotted(plainJob(), {"arrives old"}));
    EXPECT_FALSE(old.contains("glue"));
    for (const char* item : {"gears", "frame", "grease", "motor", "wiring", "earlier", "paint"}) {
        EXPECT_TRUE(old.contains(item)) << item;
    }
    // Not told: both lists.
    EXPECT_TRUE(items(plainJob()).contains("glue"));
    EXPECT_TRUE(items(plainJob()).contains("gears"));
    const auto coach = items(jotted(newJob("x", "saloon"), {"arrives old"}));
    EXPECT_TRUE(coach.contains("wheels"));
    EXPECT_FALSE(coach.contains("gears"));
    const auto house = items(newJob("x", "lighthouse"));
    EXPECT_FALSE(house.contains("wheels"));
    EXPECT_TRUE(house.contains("wiring"));
    EXPECT_FALSE(old.contains("cells"));
    EXPECT_TRUE(items(jotted(plainJob(), {"supply battery 9V"})).contains("cells"));
}
TEST(LookList, GoesOnToWhatNobodyLookedAt) {
    Job job = jotted(plainJob(), {"arrives new"});
    std::size_t steps = 0;
    while (const auto next = intake::nextToLook(job)) {
        const std::string line = std::string("good ") + next->id;
        job = jotted(job, {line.c_str()});
        EXPECT_TRUE(intake::lookedAt(job, next->id)->good);
        ASSERT_LE(++steps, 20U);
    }
    EXPECT_EQ(steps, intake::lookList(job).size());
    EXPECT_EQ(sentence(job, "intake.look"), "Looked over: all 8.");
    // Found bad later: it is one entry, not two.
    const Job bad = jotted(job, {"bad buffers bent"});
    EXPECT_FALSE(intake::lookedAt(bad, "buffers")->good);
    EXPECT_EQ(bad.intake.looked.size(), job.intake.looked.size());
}
TEST(LookList, PlacesLieOnTheModelAndMoveWithTheirWords) {
    for (const char* body : {"dock-shunter", "saloon", "railcar", "lighthouse", "baseboard"}) {
        const Job job = newJob("x", body);
        const Body& drawn = tests::body(job);
        for (const intake::LookItem& item : intake::lookList(job)) {
            for (const char* words : {"", "front left", "at the rear", "on the roof"}) {
                const Point at = intake::placeOf(job, item.id, words).at;
                EXPECT_GE(at.x, Millimetres{0}) << body << " " << item.id;
                EXPECT_LE(at.x, drawn.length) << body << " " << item.id;
                EXPECT_GE(at.z, Millimetres{0}) << body << " " << item.id;
                EXPECT_LE(at.z, drawn.height) << body << " " << item.id;
            }
        }
        EXPECT_LT(intake::placeOf(job, "shell", "front").at.x,
                  intake::placeOf(job, "shell", "rear").at.x);
        EXPECT_GT(intake::placeOf(job, "shell", "roof").at.z,
                  intake::placeOf(job, "shell", "").at.z);
    }
}

TEST(Intake, AsksForWhatCanEndTheJobOnAnOldModelOnly) {
    EXPECT_EQ(stateOf(plainJob(), "intake.look"), State::Fine);
    EXPECT_EQ(stateOf(jotted(plainJob(), {"arrives new"}), "intake.look"), State::Fine);
    const Job old = jotted(plainJob(), {"arrives old"});
    EXPECT_EQ(stateOf(old, "intake.look"), State::Ask);
    EXPECT_EQ(stateOf(jotted(old, {"good frame", "good gears"}), "intake.look"), State::Fine);
}
TEST(Intake, SpotsAreOpenUntilTheyAreMended) {
    const Job bent = jotted(plainJob(), {"bad buffers bent front left"});
    ASSERT_EQ(bent.intake.spots.size(), 1U);
    const std::string id = bent.intake.spots[0].id;
    EXPECT_EQ(stateOf(bent, "intake.spot:" + id), State::Close);
    EXPECT_EQ(sentence(bent, "intake.spot:" + id),
              "Buffers and couplers: bent front left. Still open.");
    const Job mended = jotted(bent, {("mended " + id).c_str()});
    EXPECT_FALSE(says(mended, "intake.spot:" + id));
    EXPECT_EQ(mended.intake.spots[0].mended, "2026-03-02");
    EXPECT_TRUE(intake::lookedAt(mended, "buffers")->good);
    EXPECT_EQ(bent.intake.spots[0].at.x, Millimetres{0});
    // What can end the job does.
    const Job cracked = jotted(plainJob(), {"bad gears hair line by the axle"});
    EXPECT_EQ(stateOf(cracked, "intake.spot:" + cracked.intake.spots[0].id), State::Over);
    const Job train = jotted(plainJob(), {"unit saloon called trailer", "bad step gone, trailer"});
    EXPECT_EQ(train.intake.spots[0].unit, train.units[1].id);
}
TEST(Intake, SettingsOfADecoderThatCameAreSavedFirst) {
    const Job came = jotted(tests::shunter(), {"arrives with decoder"});
    EXPECT_EQ(stateOf(came, "intake.settings"), State::Ask);
    const Job saved = jotted(came, {"settings 1=3 29=34"});
    EXPECT_EQ(stateOf(saved, "intake.settings"), State::Fine);
    EXPECT_EQ(sentence(saved, "intake.settings"), "Its settings are saved: 2 values.");
    EXPECT_EQ(saved.intake.settings->values[1], (ConfigurationValue{29, 34}));
    EXPECT_FALSE(says(jotted(tests::shunter(), {"arrives runner"}), "intake.settings"));
    EXPECT_EQ(stateOf(jotted(came, {"settings saved"}), "intake.settings"), State::Fine);
}
TEST(Intake, ComplaintsStandUntilTheyAreAnswered) {
    const Job hums = jotted(plainJob(), {"complaint the lamps are too pink"});
    const std::string id = "intake.complaint:" + hums.intake.complaints.at(0).id;
    EXPECT_TRUE(says(hums, id));
    EXPECT_EQ(stateOf(hums, id), State::Fine);
    EXPECT_FALSE(says(
        jotted(hums, {("answer " + hums.intake.complaints[0].id + " warmer ones are in").c_str()}),
        id));
    EXPECT_FALSE(says(hums, "intake.suspects"));  // points to no fault
}
TEST(Intake, OilingIsHeldAgainstTheCurrentBeforeAndSince) {
    Job job = jotted(plainJob(), {"light 310mA 12V"});
    tests::motor(job).readings[0].on = "2026-02-01";
    job = jotted(job, {"oiled bearings"});  // 2026-03-02
    const std::string id = "intake.oiled:" + tests::motor(job).id;
    EXPECT_FALSE(says(job, id));
    EXPECT_EQ(sentence(jotted(job, {"light 240mA 12V"}), id),
              "Oiled on 2026-03-02: running light it took 310 mA before and takes 240 mA since.");
    EXPECT_NE(sentence(jotted(job, {"light 310mA 12V"}), id).find("still takes 310 mA"),
              std::string::npos);
    EXPECT_FALSE(says(jotted(job, {"light 240mA 8V"}), id));  // not alike
}

TEST(Suspects, AreRankedByWhatPointsToThemAlone) {
    const Job job = jotted(plainJob(), {"complaint It STOPPED on points and chirped"});
    const auto all = intake::suspects(job, smallCatalogue());
    ASSERT_GE(all.size(), 3U);
    EXPECT_EQ(all[0].fault->id, "dry-bearings");  // it alone chirps
    EXPECT_EQ(all[0].sign, "chirps");
    for (std::size_t i = 1; i < all.size(); ++i) EXPECT_GE(all[i - 1].weight, all[i].weight);
    const bool collectors = std::any_of(all.begin(), all.end(), [](const intake::Suspect& each) {
        return each.fault->id == "collectors-bent" && each.sign == "stops on points";
    });
    EXPECT_TRUE(collectors);
    EXPECT_TRUE(intake::suspects(plainJob(), smallCatalogue()).empty());
    EXPECT_TRUE(
        intake::suspects(jotted(plainJob(), {"complaint too dear"}), smallCatalogue()).empty());
}
TEST(Suspects, AreAskedForUntilOneIsFound) {
    const Job job = jotted(plainJob(), {"complaint clicks and limps"});
    EXPECT_EQ(stateOf(job, "intake.suspects"), State::Ask);
    EXPECT_NE(sentence(job, "intake.suspects").find("points to: Cracked gear."), std::string::npos);
    const Job not_it = jotted(job, {"fault cracked-gear not"});
    EXPECT_EQ(sentence(not_it, "intake.suspects").find("points to: Cracked gear."),
              std::string::npos);
    const Job cracked = jotted(job, {"fault cracked-gear found"});
    EXPECT_EQ(stateOf(cracked, "intake.fault:cracked-gear"), State::Over);
    EXPECT_EQ(stateOf(cracked, "intake.suspects"), State::Fine);
    const Job mended = jotted(cracked, {"fault cracked-gear mended"});
    EXPECT_FALSE(says(mended, "intake.fault:cracked-gear"));
    EXPECT_EQ(stateOf(mended, "intake.suspects"), State::Fine);
    EXPECT_EQ(stateOf(jotted(job, {"fault dry-grease found"}), "intake.fault:dry-grease"),
              State::Close);
}
TEST(Suspects, EveryFaultOfTheLibraryIsReachedByEachOfItsSigns) {
    const auto& library = smallCatalogue().faults;
    EXPECT_GE(library.size(), 40U);
    std::set<std::string> ids;
    for (const KnownFault& fault : library) {
        EXPECT_TRUE(ids.insert(fault.id).second) << fault.id;
        EXPECT_FALSE(fault.look.empty() || fault.cure.empty()) << fault.id;
        for (const std::string& sign : fault.signs) {
            const Job job = jotted(plainJob(), {("complaint " + sign).c_str()});
            const auto all = intake::suspects(job, smallCatalogue());
            EXPECT_TRUE(std::any_of(
                all.begin(), all.end(),
                [&](const intake::Suspect& each) { return each.fault->id == fault.id; }))
                << fault.id << ": " << sign;
        }
    }
}

TEST(Proof, RockedAndWithItsAuxiliaryDriveIsHeldAgainstRunningAloneAtLikeVolts) {
    const Job ran = jotted(plainJob(), {"medium forward 8V 200mA", "full forward 12V 260mA"});
    for (const auto& [line, id] : {std::pair{"rocking forward 8V 251mA", "prove.rocking"},
                                   std::pair{"auxiliary forward 12V 326mA", "prove.auxiliary"}}) {
        EXPECT_FALSE(says(ran, id));
        EXPECT_EQ(stateOf(jotted(ran, {line}), id), State::Close) << line;
        EXPECT_FALSE(says(jotted(plainJob(), {line}), id)) << "alone it was not read";
    }
    // Not by a quarter; the other way; at other volts; never one for the other.
    EXPECT_FALSE(says(jotted(ran, {"rocking forward 8V 249mA"}), "prove.rocking"));
    EXPECT_FALSE(says(jotted(ran, {"auxiliary forward 12V 324mA"}), "prove.auxiliary"));
    EXPECT_FALSE(says(jotted(ran, {"rocking reverse 8V 400mA"}), "prove.rocking"));
    EXPECT_FALSE(says(jotted(ran, {"auxiliary forward 10V 400mA"}), "prove.auxiliary"));
    EXPECT_FALSE(says(jotted(ran, {"auxiliary forward 12V 400mA"}), "prove.rocking"));
    EXPECT_TRUE(says(jotted(ran, {"rocking forward 8.7V 400mA"}), "prove.rocking"));
}
TEST(Proof, WhatItTookRunningIsNotAskedForAgain) {
    const Job ran = jotted(plainJob(), {"crawl forward 4V 120mA", "full forward 12V 260mA",
                                        "full reverse 12V 270mA", "rocking forward 12V 500mA"});
    EXPECT_NEAR(*runningFigure(ran).value, 0.27, 1e-12);
    EXPECT_EQ(runningFigure(ran).basis.kind, Basis::Kind::Measured);
    // More than its kind usually takes: the kind says nothing of its stall.
    EXPECT_EQ(stateOf(ran, "motor.reading"), State::Ask);
    EXPECT_EQ(sentence(jotted(plainJob(), {"full forward 12V 240mA"}), "motor.reading"),
              "What was read of the motor is enough to judge by.");
    // A reading of its own counts, be it less.
    EXPECT_NEAR(*runningFigure(jotted(ran, {"light 240mA 12V"})).value, 0.24, 1e-12);
    EXPECT_FALSE(runningFigure(jotted(plainJob(), {"crawl forward 4V 120mA"})).value.has_value());
}
TEST(Proof, SaysWhichWayWasReadAndWhatIsLeftToSay) {
    const auto tried = [](std::initializer_list<const char*> lines) {
        return sentence(jotted(plainJob(), lines), "prove.tried");
    };
    EXPECT_EQ(tried({}), "Not tried on plain DC.");
    EXPECT_EQ(tried({"crawl forward 4V 200mA"}),
              "Read on plain DC, forward only. Run it in reverse too.");
    EXPECT_EQ(tried({"full reverse 12V 300mA"}),
              "Read on plain DC, in reverse only. Run it forward too.");
    EXPECT_EQ(tried({"crawl forward 4V 200mA", "full reverse 12V 300mA"}),
              "Read on plain DC, both ways. Say whether it runs as it should.");
    EXPECT_EQ(tried({"crawl forward 4V 200mA", "proved"}), "It runs on plain DC, both ways.");
}
TEST(Prove, IsAskedForWhereAModelHasSeenUse) {
    EXPECT_EQ(stateOf(jotted(plainJob(), {"arrives old"}), "prove.tried"), State::Ask);
    EXPECT_EQ(stateOf(plainJob(), "prove.tried"), State::Fine);
    EXPECT_EQ(stateOf(jotted(plainJob(), {"arrives new"}), "prove.tried"), State::Fine);
    EXPECT_EQ(stateOf(jotted(plainJob(), {"arrives old with decoder"}), "prove.tried"),
              State::Fine);
    EXPECT_FALSE(says(jotted(plainJob(), {"arrives old kit"}), "prove.tried"));
    EXPECT_FALSE(says(newJob("x", "saloon"), "prove.tried"));
    EXPECT_EQ(stateOf(jotted(plainJob(), {"arrives old", "proved"}), "prove.tried"), State::Fine);
}
TEST(Prove, BlocksOnlyWhenItWasTriedAndFailed) {
    const Job failed = jotted(plainJob(), {"fails stops every turn"});
    EXPECT_EQ(stateOf(failed, "prove.failed"), State::Over);
    EXPECT_FALSE(says(failed, "prove.tried"));
    const Job past = jotted(failed, {"continue it gets a new motor"});
    EXPECT_EQ(stateOf(past, "prove.failed"), State::Close);  // stays to be seen
    EXPECT_EQ(sentence(past, "prove.failed"),
              "It failed on plain DC (stops every turn); the work goes on: it gets a new motor.");
    EXPECT_FALSE(says(jotted(failed, {"proved"}), "prove.failed"));
    EXPECT_TRUE(jotted(past, {"proved"}).proof.goOn.empty());
}
TEST(Prove, SaysWhatStartsLateOrUnevenly) {
    // Late from 35 % of 12 V, 4.2 V.
    EXPECT_EQ(stateOf(jotted(plainJob(), {"starts forward 4.1V"}), "prove.late"), State::Fine);
    EXPECT_EQ(stateOf(jotted(plainJob(), {"starts forward 4.3V"}), "prove.late"), State::Close);
    EXPECT_EQ(stateOf(jotted(plainJob(), {"starts reverse 4.3V"}), "prove.late"), State::Close);
    EXPECT_FALSE(says(jotted(plainJob(), {"starts forward 2V", "starts reverse 2.5V"}),
                      "prove.uneven-start"));
    EXPECT_EQ(stateOf(jotted(plainJob(), {"starts forward 2V", "starts reverse 2.6V"}),
                      "prove.uneven-start"),
              State::Close);
    // The last reading counts.
    EXPECT_FALSE(
        says(jotted(plainJob(), {"starts forward 5V", "starts forward 2V"}), "prove.late"));
}
TEST(Prove, SaysWhatTakesTooMuchOrUnevenly) {
    // A can motor takes 250 mA running at the most.
    EXPECT_FALSE(says(jotted(plainJob(), {"full forward 12V 250mA"}), "prove.hungry"));
    EXPECT_EQ(stateOf(jotted(plainJob(), {"full forward 12V 260mA"}), "prove.hungry"),
              State::Close);
    EXPECT_FALSE(
        says(jotted(plainJob(), {"motor open-frame", "full forward 12V 260mA"}), "prove.hungry"));
    const Job even = jotted(plainJob(), {"crawl forward 3V 100mA", "crawl reverse 3V 120mA"});
    EXPECT_FALSE(says(even, "prove.uneven"));
    EXPECT_EQ(stateOf(jotted(plainJob(), {"crawl forward 3V 100mA", "crawl reverse 3V 130mA"}),
                      "prove.uneven"),
              State::Close);
    EXPECT_FALSE(says(jotted(plainJob(), {"crawl forward 3V 100mA", "crawl reverse 4V 130mA"}),
                      "prove.uneven"));  // not alike
}
TEST(Prove, TellsWhatWasSeen) {
    EXPECT_EQ(stateOf(jotted(plainJob(), {"lit lamps"}), "prove.lamps"), State::Ask);
    EXPECT_FALSE(says(jotted(plainJob(), {"lit no lamps"}), "prove.lamps"));
    const Job heard = jotted(plainJob(), {"remark grinding", "remark hot smell"});
    EXPECT_EQ(sentence(heard, "prove.remarks"), "Heard, seen or smelt: grinding, hot smell.");
    // What is gone is told by name or all at once; the finding's answer does so.
    const auto all = tests::checkedAll(heard);
    const Finding* remarks = tests::found(all, "prove.remarks");
    ASSERT_EQ(remarks->options.size(), 2U);
    EXPECT_EQ(remarks->options[1].jot, "remark gone hot smell");
    EXPECT_EQ(jotted(heard, {"remark gone hot smell"}).proof.remarks,
              std::vector<std::string>{"grinding"});
    EXPECT_EQ(jotted(heard, {"noise Grinding is gone"}).proof.remarks,
              std::vector<std::string>{"hot smell"});
    EXPECT_TRUE(jotted(heard, {"remark none"}).proof.remarks.empty());
    EXPECT_FALSE(says(plainJob(), "prove.remarks"));
}

TEST(FactoryBoard, IsAskedForOneThingAtATime) {
    Job job = plainJob();
    EXPECT_FALSE(says(job, "board.fate"));  // nothing tells of one
    job = jotted(job, {"proved", "lit lamps"});
    EXPECT_EQ(stateOf(job, "prove.lamps"), State::Ask);  // which plug is in
    EXPECT_FALSE(says(job, "board.fate"));
    job = jotted(job, {"board no plug"});
    EXPECT_EQ(stateOf(job, "board.fate"), State::Ask);
    EXPECT_EQ(stateOf(job, "prove.lamps"), State::Close);
    EXPECT_FALSE(says(job, "board.common"));
    for (const char* gone : {"board replaced", "board none"}) {
        const Job without = jotted(job, {gone});
        EXPECT_FALSE(says(without, "board.fate")) << gone;
        EXPECT_FALSE(says(without, "board.common")) << gone;
    }
    EXPECT_FALSE(says(jotted(job, {"board replaced"}), "prove.lamps"));
    // Bare wires hang on the rails until they are proved open; the finding itself leads there.
    const Job wires = jotted(job, {"board none"});
    EXPECT_EQ(stateOf(wires, "prove.lamps"), State::Close);
    const auto said = findings(tests::factsOf(wires));
    const Option& cut = tests::found(said, "prove.lamps")->options.at(0);
    EXPECT_FALSE(says(jotted(wires, {cut.jot.c_str()}), "prove.lamps"));
    job = jotted(job, {"board kept"});
    EXPECT_FALSE(says(job, "board.fate"));
    EXPECT_EQ(stateOf(job, "board.common"), State::Ask);
    EXPECT_EQ(stateOf(job, "prove.lamps"), State::Close);
    EXPECT_EQ(stateOf(jotted(job, {"board common minus"}), "board.common"), State::Over);
    EXPECT_EQ(stateOf(jotted(job, {"board common regulated"}), "board.common"), State::Close);
    const Job tied = jotted(job, {"board common track"});
    EXPECT_EQ(stateOf(tied, "board.common"), State::Over);
    EXPECT_EQ(stateOf(tied, "prove.lamps"), State::Close);
    const Job open = jotted(tied, {"board open"});
    EXPECT_FALSE(says(open, "board.common"));
    EXPECT_FALSE(says(open, "prove.lamps"));
    // Found on another path later, it is to be proved again.
    EXPECT_EQ(stateOf(jotted(open, {"board common track"}), "board.common"), State::Over);
    const Job plus = jotted(job, {"board common plus"});
    EXPECT_FALSE(says(plus, "board.common"));
    EXPECT_FALSE(says(plus, "board.resistors"));  // no lamp is planned yet
    const Job lit = jotted(plus, {"decoder middle", "lamp front white on front"});
    EXPECT_EQ(stateOf(lit, "board.resistors"), State::Ask);
    const auto asked = findings(tests::factsOf(lit));
    for (const Option& option : tests::found(asked, "board.resistors")->options)
        EXPECT_EQ(option.state, State::Fine) << option.jot;
    // A common that a decoder cannot use is changed before anything is metered at it.
    EXPECT_FALSE(says(jotted(lit, {"board common track"}), "board.resistors"));
    EXPECT_FALSE(says(jotted(lit, {"board common minus"}), "board.resistors"));
    EXPECT_TRUE(says(jotted(lit, {"board common regulated"}), "board.resistors"));
    EXPECT_FALSE(says(jotted(lit, {"board resistors"}), "board.resistors"));
    EXPECT_FALSE(says(jotted(lit, {"board no resistors"}), "board.resistors"));
}
TEST(FactoryBoard, APlugThatBridgesItsSocketLightsLampsByDesign) {
    const Job lit = jotted(plainJob(), {"proved", "lit lamps"});
    const auto asked = tests::checkedAll(lit);
    const auto& options = tests::found(asked, "prove.lamps")->options;
    ASSERT_EQ(options.size(), 4U);
    for (const Option& option : options) {
        const Job then = jotted(lit, {option.jot.c_str()});
        EXPECT_EQ(stateOf(then, "prove.lamps"),
                  option.jot == "board plug none" ? State::Close : State::Fine)
            << option.jot;
    }
    for (const char* plug : {"board bridging plug", "board plug decoder"}) {
        EXPECT_FALSE(says(jotted(lit, {plug}), "board.fate")) << plug;
    }
    EXPECT_TRUE(says(jotted(lit, {"board no plug"}), "board.fate"));
    // Without a socket there is no plug to ask for; on plain DC nothing is wrong with them.
    EXPECT_EQ(stateOf(jotted(lit, {"socket none"}), "prove.lamps"), State::Close);
    EXPECT_FALSE(says(jotted(lit, {"supply dc"}), "prove.lamps"));
}
TEST(FactoryBoard, EachAnswerLeadsOn) {
    const Job job = jotted(plainJob(), {"proved", "lit lamps", "board no plug"});
    const auto all = findings(tests::factsOf(job));
    const Finding* fate = tests::found(all, "board.fate");
    ASSERT_NE(fate, nullptr);
    for (const Option& option : fate->options) {
        EXPECT_EQ(option.kind, Option::Kind::Answer);
        const Job then = jotted(job, {option.jot.c_str()});
        EXPECT_FALSE(says(then, "board.fate")) << option.jot;
        EXPECT_EQ(says(then, "board.common"), option.state == State::Ask) << option.jot;
    }
}
TEST(Faults, AMendedOneIsLookedAtAgain) {
    const Job found = jotted(plainJob(), {"fault cracked-gear found"});
    EXPECT_FALSE(says(found, "intake.recheck:cracked-gear"));
    const Job mended = jotted(found, {"fault cracked-gear mended"});
    EXPECT_EQ(stateOf(mended, "intake.recheck:cracked-gear"), State::Ask);
    EXPECT_FALSE(
        says(jotted(mended, {"fault cracked-gear proved"}), "intake.recheck:cracked-gear"));
    EXPECT_EQ(stateOf(jotted(mended, {"fault cracked-gear found"}), "intake.fault:cracked-gear"),
              State::Over);
}

}  // namespace
}  // namespace glimmet::core
