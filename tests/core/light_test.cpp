// The light of lamps: its colour against published chromaticities, what a room leaves of it, what
// falls on the ground.
#include "core/analysis/operating.h"
#include "core/led/eye.h"
#include "core/led/light_colour.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

TEST(LightColour, OfOneWavelengthLiesOnTheSpectralLocus) {
    // CIE 1931 2° observer, CIE 015:2018, table of the spectral locus.
    const struct {
        double wave, x, y;
    } locus[] = {{470, 0.1241, 0.0578}, {520, 0.0743, 0.8338}, {550, 0.3016, 0.6923},
                 {570, 0.4441, 0.5547}, {590, 0.5752, 0.4242}, {610, 0.6658, 0.3340},
                 {630, 0.7079, 0.2920}};
    for (const auto& each : locus) {
        const Chromaticity made = ofBand(each.wave, 0.5);
        EXPECT_NEAR(made.x, each.x, 0.015) << each.wave;
        EXPECT_NEAR(made.y, each.y, 0.015) << each.wave;
    }
}
TEST(LightColour, OfABlackBodyLiesOnThePlanckianLocus) {
    // CIE illuminant A (2856 K), and the locus as tabled by Wyszecki and Stiles.
    const struct {
        double kelvin, x, y;
    } locus[] = {{2856, 0.4476, 0.4074}, {4000, 0.3805, 0.3768}, {6500, 0.3135, 0.3237}};
    for (const auto& each : locus) {
        const Chromaticity made = ofBlackBody(each.kelvin);
        EXPECT_NEAR(made.x, each.x, 0.006) << each.kelvin;
        EXPECT_NEAR(made.y, each.y, 0.006) << each.kelvin;
    }
}
TEST(LightColour, OnScreenHasItsHue) {
    const auto of = [](LedFamily family, const char* tint = "") {
        return onScreen(lightOf(family, tint));
    };
    // The white of a screen is D65.
    const ScreenColour white = onScreen({0.3127, 0.3290});
    EXPECT_NEAR(white.red, 1, 0.01);
    EXPECT_NEAR(white.green, 1, 0.01);
    EXPECT_NEAR(white.blue, 1, 0.01);
    const ScreenColour red = of(LedFamily::Red);
    EXPECT_NEAR(red.red, 1, 1e-9);
    EXPECT_LT(red.green, 0.2);
    EXPECT_LT(red.blue, 0.1);  // not pink
    const ScreenColour amber = of(LedFamily::Amber), yellow = of(LedFamily::Yellow);
    EXPECT_NEAR(amber.red, 1, 1e-9);
    EXPECT_LT(red.green, amber.green);
    EXPECT_LT(amber.green, yellow.green);
    EXPECT_NEAR(of(LedFamily::TrueGreen).green, 1, 1e-9);
    EXPECT_NEAR(of(LedFamily::Blue).blue, 1, 1e-9);
    const ScreenColour warm = of(LedFamily::White, "warm"), cool = of(LedFamily::White, "cool");
    EXPECT_NEAR(warm.red, 1, 1e-9);
    EXPECT_LT(warm.blue, 0.75);
    EXPECT_GT(cool.blue, 0.95);
    EXPECT_GT(of(LedFamily::White).blue, warm.blue);
    for (const auto& [family, word] : wordsOf(LedFamily())) {
        const ScreenColour each = of(family);
        for (const double part : {each.red, each.green, each.blue}) {
            EXPECT_GE(part, 0) << word;
            EXPECT_LE(part, 1 + 1e-9) << word;
        }
    }
}
TEST(Eye, LosesFaintLampsInALitRoom) {
    EXPECT_NEAR(seenIn(1, RoomLight::Dark), 1, 1e-12);
    EXPECT_NEAR(seenIn(0.001, RoomLight::Dark), 0.1, 1e-12);
    EXPECT_EQ(seenIn(0.004, RoomLight::Lit), 0);
    EXPECT_GT(seenIn(0.006, RoomLight::Lit), 0);
    EXPECT_GT(seenIn(0.001, RoomLight::Dim), 0);
    EXPECT_EQ(seenIn(0.0004, RoomLight::Dim), 0);
    for (const double light : {1e-6, 1e-3, 0.02, 0.5, 3.0}) {
        EXPECT_LE(seenIn(light, RoomLight::Lit), seenIn(light, RoomLight::Dim));
        EXPECT_LE(seenIn(light, RoomLight::Dim), seenIn(light, RoomLight::Dark));
        EXPECT_LE(seenIn(light, RoomLight::Dark), 1);
    }
}
TEST(Eye, LightOnTheGroundFallsWithTheSquareOfDistanceAndOnTheSlant) {
    const Millimetres height{20};
    const auto at = [&](double away) { return onGround(height, Millimetres{away}); };
    EXPECT_EQ(at(0), 0);  // a face does not shine down along itself
    EXPECT_NEAR(at(20 / std::sqrt(3.0)), 1, 1e-9);
    for (const double away : {1.0, 5.0, 11.0, 12.0, 30.0, 200.0}) EXPECT_LE(at(away), 1);
    // Far away twice as far is a quarter by distance, and half again by the slant.
    EXPECT_NEAR(at(4000) / at(2000), 1.0 / 8, 1e-3);
    // All of it in lengths of its height.
    EXPECT_NEAR(onGround(Millimetres{40}, Millimetres{60}),
                onGround(Millimetres{20}, Millimetres{30}), 1e-12);
}
TEST(Operating, ALampIsSeenByTheLightOfTheRoom) {
    const Job job =
        tests::jotted(tests::shunter(),
                      {"track 14.8V", "lamp front white", "output front bare", "resistor front 2k2",
                       "lamp rear red", "output rear bare", "resistor rear 470k"});
    const JobAnalysis facts = tests::factsOf(job);
    const auto seen = [&](RoomLight room) {
        Operating operating;
        operating.room = room;
        const auto lit = litWhen(facts, operating);
        return std::pair{lit[0].brightness, lit[1].brightness};
    };
    const auto dark = seen(RoomLight::Dark), light = seen(RoomLight::Lit);
    EXPECT_GT(dark.second, 0.05);
    EXPECT_EQ(light.second, 0);
    EXPECT_GT(light.first, 0.9 * dark.first);
}

TEST(Eye, SeesLightComeOnEvenlyAsTheDecoderLetsIt) {
    const Seconds soft{0.8};
    EXPECT_EQ(onItsWay(0, 1, Seconds{0.8}, soft), 1);
    EXPECT_EQ(onItsWay(0, 1, Seconds{0}, soft), 0);
    // Half of the light half-way.
    EXPECT_NEAR(std::pow(onItsWay(0, 1, Seconds{0.4}, soft), 3), 0.5, 1e-12);
    EXPECT_NEAR(std::pow(onItsWay(1, 0.5, Seconds{0.2}, soft), 3), 1 - 0.875 / 4, 1e-12);
    EXPECT_EQ(onItsWay(1, 0, Seconds{0}, Seconds{0}), 0);  // at once
}

}  // namespace
}  // namespace glimmet::core
