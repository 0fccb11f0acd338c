// What reaches the eye of a lamp behind a light pipe, a fibre, a colour, a diffuser.
#include "core/led/light_path.h"

#include "core/analysis/lamp_groups.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>
#include <numbers>
#include <random>

namespace glimmet::core {
namespace {

using namespace tests;

LightPath guided(GuideKind kind, double length, double bore, double gap) {
    LightPath path;
    path.guide = LightGuide{kind, Millimetres{length}, Millimetres{bore}, Millimetres{gap}};
    return path;
}

/// Rays of a point of a matt face, counted where they meet a disc within an angle.
double countedShare(double radius, double gap, double largestSine) {
    std::mt19937_64 random(7);
    std::uniform_real_distribution<double> unit;
    int met = 0;
    constexpr int rays = 400'000;
    for (int i = 0; i < rays; ++i) {
        const double sine = std::sqrt(unit(random));  // of a face that looks alike from everywhere
        const double cosine = std::sqrt(1 - sine * sine);
        if (sine <= largestSine && gap * sine <= radius * cosine) ++met;
    }
    return static_cast<double>(met) / rays;
}

TEST(LightPath, TheShareThatGetsInIsThatOfCountedRays) {
    constexpr double faces = 0.96 * 0.96;
    for (const double gap : {0.0, 0.3, 1.0, 2.5}) {
        SCOPED_TRACE(gap);
        EXPECT_NEAR(passed(guided(GuideKind::Pipe, 10, 2, gap), LedFamily::White).entry,
                    countedShare(1, gap, 1) * faces, 0.004);
        EXPECT_NEAR(passed(guided(GuideKind::Fibre, 10, 1, gap), LedFamily::White).entry,
                    countedShare(0.5, gap, 0.5) * faces, 0.004);
    }
    // A quarter of the face lies before a fibre of half its width.
    EXPECT_NEAR(passed(guided(GuideKind::Fibre, 10, 0.5, 0), LedFamily::White).entry,
                0.25 * 0.25 * faces, 1e-12);
    // What would get in at no gap stays the same.
    EXPECT_NEAR(passed(guided(GuideKind::Pipe, 10, 2, 3), LedFamily::White).atBest, faces, 1e-12);
}

TEST(LightPath, AWireTakesTheBandOfRaysThatItCovers) {
    // Counted: a point of a matt face, a long wire of 1.4 mm across 2 mm before it.
    std::mt19937_64 random(3);
    std::uniform_real_distribution<double> unit;
    constexpr int rays = 400'000;
    int past = 0;
    for (int i = 0; i < rays; ++i) {
        const double sine = std::sqrt(unit(random)), turn = 6.283185307179586 * unit(random);
        const double cosine = std::sqrt(1 - sine * sine);
        // Where it meets the plane of the wire, across it.
        past += std::abs(2 * sine / cosine * std::cos(turn)) > 0.7 ? 1 : 0;
    }
    LightPath path;
    path.obstacle = Obstacle{Millimetres{1.4}, Millimetres{2}};
    EXPECT_NEAR(passed(path, LedFamily::White).obstacle, static_cast<double>(past) / rays, 0.004);
    EXPECT_FALSE(path.isOpen());
    // Seen from the face its edges go straight on: 1.4 mm at 2 mm are 14 mm at 20 mm.
    EXPECT_NEAR(shadowAt(*path.obstacle, Millimetres{18}).value(), 14, 1e-9);
    EXPECT_NEAR(shadowAt(*path.obstacle, Millimetres{0}).value(), 1.4, 1e-9);
}

TEST(LightPath, LosesByLengthColourAndDiffuser) {
    // 0.02 dB/mm: 50 mm take a decibel.
    EXPECT_NEAR(passed(guided(GuideKind::Pipe, 50, 2, 0), LedFamily::White).along,
                std::pow(10, -0.1), 1e-12);
    EXPECT_NEAR(passed(guided(GuideKind::Fibre, 100, 1, 0), LedFamily::White).along,
                std::pow(10, -0.003), 1e-12);
    LightPath all = guided(GuideKind::Pipe, 50, 2, 1);
    all.filter = FilterColour::Red;
    all.diffuser = true;
    EXPECT_NEAR(passed(all, LedFamily::White).total(),
                0.5 * 0.9216 * std::pow(10, -0.1) * 0.15 * 0.5, 1e-12);
    EXPECT_DOUBLE_EQ(passed({}, LedFamily::Red).total(), 1);
    EXPECT_TRUE(LightPath{}.isOpen());
    EXPECT_FALSE(all.isOpen());
}

TEST(LightPath, AColourPassesItsOwnAndSomeOfWhite) {
    struct Case {
        FilterColour filter;
        LedFamily own;
        std::vector<LedFamily> strangers;
    };
    const Case cases[] = {
        {FilterColour::Red,
         LedFamily::Red,
         {LedFamily::Green, LedFamily::TrueGreen, LedFamily::Blue, LedFamily::UltraViolet}},
        {FilterColour::Amber, LedFamily::Amber, {LedFamily::Blue, LedFamily::UltraViolet}},
        {FilterColour::Green,
         LedFamily::TrueGreen,
         {LedFamily::Red, LedFamily::Amber, LedFamily::Yellow}},
        {FilterColour::Blue, LedFamily::Blue, {LedFamily::Red, LedFamily::Amber}}};
    for (const Case& one : cases) {
        SCOPED_TRACE(name(one.filter));
        const double own = filterPasses(one.filter, one.own);
        const double white = filterPasses(one.filter, LedFamily::White);
        EXPECT_GT(own, white);
        EXPECT_GE(own, 0.7);
        for (const LedFamily stranger : one.strangers) {
            EXPECT_LE(filterPasses(one.filter, stranger), 0.05);
            EXPECT_LT(filterPasses(one.filter, stranger), white + 1e-9);
        }
    }
}

// --- what is said -------------------------------------------------------------------------------

constexpr const char* pathId = "lamp.path:marker";
Job marker(std::initializer_list<const char*> lines) {
    Job job = tests::jotted(
        tests::newJob("Aurora", "saloon"),
        {"supply fixed dc 12V", "lamp white for 5mA called marker", "resistor marker 1k8"});
    return tests::jotted(std::move(job), lines);
}

TEST(LightPath, NothingIsSaidOfALampThatIsSeenAsItIs) {
    EXPECT_FALSE(has(checkedAll(marker({})), pathId));
    EXPECT_FALSE(has(checkedAll(marker({"pipe marker 25mm", "pipe marker none"})), pathId));
    // Nor of one that is dark by itself.
    EXPECT_FALSE(has(checkedAll(marker({"pipe marker 25mm", "resistor marker 1M"})), pathId));
    EXPECT_FALSE(has(checkedAll(marker({"pipe marker 25mm", "resistor marker open"})), pathId));
}

TEST(LightPath, AimComesBeforeCurrent) {
    const auto near = checkedAll(marker({"pipe marker 25mm gap 0.9mm"}));
    EXPECT_EQ(finding(near, pathId).state, State::Fine);
    EXPECT_NE(plain(finding(near, pathId).sentence).find("as bright as a bare LED"),
              std::string::npos);
    // Half of what could get in, 1/(1 + 1²), is the edge.
    const auto stateAt = [](const char* line) {
        const auto all = checkedAll(marker({line}));
        return finding(all, pathId).state;
    };
    EXPECT_EQ(stateAt("pipe marker 25mm gap 0.98mm"), State::Fine);
    EXPECT_EQ(stateAt("pipe marker 25mm gap 1.02mm"), State::Close);

    const Job job = marker({"pipe marker 25mm gap 3mm"});
    const auto all = checkedAll(job);
    const Finding& far = finding(all, pathId);
    EXPECT_EQ(far.state, State::Close);
    EXPECT_EQ(far.gravity, Gravity::WorksBadly);
    // 1 against 1/(1 + 3²): ten times as much.
    EXPECT_EQ(plain(far.sentence),
              "Aim marker before giving it more current: across the gap of 3 mm most of its light "
              "misses the light pipe; close to it 10 times as much gets in.");
    EXPECT_NEAR(*figure(far, "k").value, 0.1 * 0.9216 * std::pow(10, -0.05), 1e-9);
    ASSERT_EQ(far.options.size(), 1U);
    EXPECT_EQ(far.options[0].jot, "pipe marker gap 0mm");
    const auto mended = checkedAll(tests::jotted(job, {far.options[0].jot.c_str()}));
    EXPECT_EQ(finding(mended, pathId).state, State::Fine);
}

TEST(LightPath, WhatStandsBeforeItThrowsAShadow) {
    const Job job = marker({"shadow marker 1.4mm at 2mm"});
    const auto all = checkedAll(job);
    const Finding& one = finding(all, pathId);
    EXPECT_EQ(one.state, State::Close);
    // 0.7/√(0.7² + 2²) = 0.33; 1.4 · 52/2 = 36 mm.
    EXPECT_EQ(plain(one.sentence),
              "What stands 2 mm before marker takes 33 % of its light and throws a shadow of 36 mm "
              "at 50 mm: move it aside, or farther off.");
    ASSERT_EQ(one.options.size(), 1U);
    EXPECT_EQ(one.options[0].jot, "shadow marker none");
    EXPECT_FALSE(has(checkedAll(tests::jotted(job, {one.options[0].jot.c_str()})), pathId));
    // Farther off it is a line on the way, and no more is said than that.
    EXPECT_EQ(finding(checkedAll(marker({"shadow marker 0.5mm at 5mm"})), pathId).state,
              State::Fine);
    const auto lit = litLamps(job, tests::factsOf(job).groups);
    ASSERT_TRUE(lit.at(0).obstacle.has_value());
    EXPECT_EQ(lit[0].obstacle->away, Millimetres{2});
    for (const char* line :
         {"shadow marker 1mm", "shadow marker at 2mm", "shadow marker", "shadow marker 1mm none"}) {
        EXPECT_FALSE(applyLine(line, job, tests::smallCatalogue(), "")) << line;
    }
}

TEST(LightPath, LittleIsSeenInADarkRoomOnlyAndLessNotAtAll) {
    // Through a thin fibre far off a millionth of an ampere is left of five thousandths.
    const auto far = checkedAll(marker({"fibre marker 80mm bore 0.5mm gap 5mm"}));
    EXPECT_EQ(finding(far, pathId).state, State::Over);
    EXPECT_EQ(finding(far, pathId).gravity, Gravity::DoesNotWork);
    EXPECT_NE(plain(finding(far, pathId).sentence).find("Marker looks dark"), std::string::npos);
    ASSERT_EQ(finding(far, pathId).options.size(), 1U);
    EXPECT_EQ(finding(far, pathId).options[0].state, State::Fine);
    // With no gap to close there is only more light or a thicker fibre.
    const auto thin = checkedAll(marker({"fibre marker 80mm bore 0.25mm"}));
    const Finding& faint = finding(thin, pathId);
    EXPECT_EQ(faint.state, State::Close);
    EXPECT_EQ(faint.gravity, Gravity::WorksBadly);
    EXPECT_TRUE(faint.options.empty());
    EXPECT_NE(plain(faint.sentence).find("in a dark room only"), std::string::npos);
    EXPECT_EQ(finding(checkedAll(marker({"fibre marker 80mm bore 1mm"})), pathId).state,
              State::Fine);
    // Close up it is still faint: that is not promised as fine.
    const auto both =
        checkedAll(marker({"resistor marker 18k", "fibre marker 80mm bore 0.25mm gap 0.4mm"}));
    ASSERT_EQ(finding(both, pathId).options.size(), 1U);
    EXPECT_EQ(finding(both, pathId).options[0].state, State::Close);
}

TEST(LightPath, ABulbCountsByTheLedThatGivesAsMuch) {
    const Job bulb =
        tests::jotted(tests::newJob("Aurora", "saloon"),
                      {"supply fixed dc 12V", "bulb 12V 50mA called marker", "filter marker red"});
    const auto all = checkedAll(bulb);
    EXPECT_EQ(finding(all, pathId).state, State::Fine);
    // Half of an LED at 20 mA, of which red passes 15 %: 1.5 mA.
    EXPECT_NE(plain(finding(all, pathId).sentence).find("15 % is seen"), std::string::npos);
    EXPECT_NE(plain(finding(all, pathId).sentence).find("at 1.5 mA"), std::string::npos);
    EXPECT_FALSE(has(checkedAll(tests::jotted(bulb, {"filter marker none"})), pathId));
}

TEST(LightPath, AStrangeColourIsSaid) {
    EXPECT_EQ(finding(checkedAll(marker({"filter marker red"})), pathId).state, State::Fine);
    Job red = tests::jotted(tests::newJob("Aurora", "saloon"),
                            {"supply fixed dc 12V", "lamp red for 5mA called marker",
                             "resistor marker 2k", "filter marker green"});
    const auto all = checkedAll(red);
    const Finding& strange = finding(all, pathId);
    EXPECT_EQ(strange.state, State::Over);
    EXPECT_NE(plain(strange.sentence).find("hardly passes the green"), std::string::npos);
    ASSERT_EQ(strange.options.size(), 1U);
    EXPECT_FALSE(has(checkedAll(tests::jotted(red, {strange.options[0].jot.c_str()})), pathId));
    EXPECT_EQ(finding(checkedAll(tests::jotted(red, {"filter marker red"})), pathId).state,
              State::Fine);
}

TEST(LightPath, IsSeenInTheDark) {
    const auto lit = [](const Job& job) {
        const JobAnalysis facts = factsOf(job);
        return litLamps(job, facts.groups).front();
    };
    const LitLamp bare = lit(marker({}));
    const LitLamp behind = lit(marker({"filter marker red", "diffuser marker"}));
    EXPECT_FALSE(bare.filter);
    EXPECT_EQ(behind.filter, FilterColour::Red);
    EXPECT_NEAR(behind.brightness / bare.brightness, std::cbrt(0.15 * 0.5), 1e-9);
    EXPECT_EQ(lit(marker({"diffuser marker", "diffuser marker none"})).brightness, bare.brightness);
}

TEST(LightPath, LinesKeepWhatTheyDoNotName) {
    const auto guide = [](std::initializer_list<const char*> lines) {
        return marker(lines).groups[0].rows[0].path.guide;
    };
    EXPECT_EQ(guide({"pipe marker 25mm"}),
              (LightGuide{GuideKind::Pipe, Millimetres{25}, usualPipeBore, Millimetres{0}}));
    EXPECT_EQ(guide({"pipe marker 25mm gap 1mm", "pipe marker 30mm"}),
              (LightGuide{GuideKind::Pipe, Millimetres{30}, usualPipeBore, Millimetres{1}}));
    // Another kind of guide is another part.
    EXPECT_EQ(guide({"pipe marker 25mm gap 1mm", "fibre marker 60mm"}),
              (LightGuide{GuideKind::Fibre, Millimetres{60}, usualFibreBore, Millimetres{0}}));
    EXPECT_FALSE(guide({"pipe marker 25mm", "pipe marker none"}));
    const Job open = marker({});
    EXPECT_FALSE(applyLine("pipe marker gap 1mm", open, smallCatalogue(), ""));
    EXPECT_FALSE(applyLine("fibre marker none 20mm", open, smallCatalogue(), ""));
    // Of several rows one may be meant.
    const Job two = marker({"parallel marker white", "resistor marker 1k8", "pipe marker/2 20mm"});
    ASSERT_EQ(two.groups[0].rows.size(), 2U);
    EXPECT_TRUE(two.groups[0].rows[0].path.isOpen());
    EXPECT_FALSE(two.groups[0].rows[1].path.isOpen());
    EXPECT_TRUE(has(checkedAll(two), "lamp.path:marker/2"));
    EXPECT_FALSE(has(checkedAll(two), "lamp.path:marker/1"));
}

TEST(LightGuides, LoseWhatComesOutOfTheirSide) {
    const LightGuide rod{GuideKind::Pipe, Millimetres{50}, Millimetres{2}, {}};
    const LightGuide fibre{GuideKind::Fibre, Millimetres{50}, Millimetres{1}, {}};
    EXPECT_NEAR(outOfItsSide(rod), 1 - std::pow(10, -0.002), 1e-12);
    EXPECT_NEAR(outOfItsSide(fibre), 1 - std::pow(10, -0.00003), 1e-12);
    // A mouth sees what is left of it: a fifth less, so its side at the LED shows a quarter more.
    EXPECT_NEAR(sideAtLed(rod), std::pow(10, 0.1), 1e-9);
    EXPECT_NEAR(sideAtLed(fibre), std::pow(10, 0.0015), 1e-9);
    LightPath path;
    path.guide = rod;
    EXPECT_NEAR(passed(path, LedFamily::White).along, std::pow(10, -0.1), 1e-12);
}

TEST(LightGuides, HaveTheirLedAtTheInnerEndAsFarAsTheBodyGoes) {
    const auto led = [](const Job& job) {
        const auto facts = tests::factsOf(job);
        const LitLamp lit = litLamps(job, facts.groups).front();
        const Point by = ledOf(lit, job.units[0].body), at = lit.lamp->fitted.pose.at;
        return std::pair((by.x - at.x).value(), (by.z - at.z).value());
    };
    const Job front = tests::jotted(tests::shunter(), {"lamp front white", "resistor front 1k"});
    EXPECT_EQ(led(front), std::pair(0.0, 0.0));
    EXPECT_NEAR(led(tests::jotted(front, {"pipe front 20mm"})).first, 20, 1e-9);
    const Job rear = tests::jotted(tests::shunter(), {"lamp rear red", "resistor rear 1k"});
    EXPECT_NEAR(led(tests::jotted(rear, {"pipe rear 20mm"})).first, -20, 1e-9);
    const double whole = rear.groups[0].rows[0].lamps[0].fitted.pose.at.x.value();
    EXPECT_NEAR(led(tests::jotted(rear, {"fibre rear 400mm"})).first, -whole, 1e-9);
    const Job cab = tests::jotted(tests::shunter(), {"lamp cab warm white", "resistor cab 1k"});
    EXPECT_NEAR(led(tests::jotted(cab, {"pipe cab 2mm"})).second, 2, 1e-9);
}

}  // namespace
}  // namespace glimmet::core
