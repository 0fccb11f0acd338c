// Ready-wired lamps told from readings at their leads, over random hidden ones.
#include "core/led/wired_lamp.h"

#include "core/analysis/lamp_groups.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

namespace glimmet::core {
namespace {

using tests::jotted;
using tests::shunter;

/// The current at which a law and a resistor drop those volts, by bisection.
Amperes at(Volts volts, const LedLaw& law, int n, Ohms resistor) {
    double low = 0, high = 2;
    for (int step = 0; step < 200; ++step) {
        const double middle = (low + high) / 2;
        const double drop = n * law.voltage(Amperes{middle}).value() + middle * resistor.value();
        (drop < volts.value() ? low : high) = middle;
    }
    return Amperes{low};
}
/// As a meter shows it: three digits.
Amperes read(Amperes amps) {
    const double scale = std::pow(10, 2 - std::floor(std::log10(amps.value())));
    return Amperes{std::round(amps.value() * scale) / scale};
}

TEST(WiredLamp, FindsWhatIsHiddenInRandomOnes) {
    std::mt19937 random(7);
    const LedFamily families[] = {LedFamily::Red,  LedFamily::Amber,     LedFamily::Green,
                                  LedFamily::Blue, LedFamily::TrueGreen, LedFamily::White};
    std::uniform_real_distribution<double> shift(-1, 1), decade(2.3, 3.5);
    int counted = 0, named = 0;
    for (int trial = 0; trial < 400; ++trial) {
        const LedFamily family = families[random() % std::size(families)];
        const FamilyValues values = familyValues(family);
        const int n = 1 + static_cast<int>(random() % 3);
        const Ohms resistor{std::pow(10, decade(random))};
        const double by = shift(random);
        const Volts forward =
            values.typical +
            (by < 0 ? values.typical - values.lowest : values.highest - values.typical) * by;
        const auto law =
            ledLawThrough({forward, Amperes{familyTestCurrent}}, values.emission, values.series);
        const Volts top{12.0 + static_cast<double>(random() % 5)};
        std::vector<ForwardPoint> readings;
        for (const double part : {1.0, 0.85, 0.75}) {
            const Volts volts = top * part;
            readings.push_back({volts, read(at(volts, *law, n, resistor))});
        }
        if (readings.size() == 3 && trial % 2 == 0) readings.erase(readings.begin() + 1);
        std::shuffle(readings.begin(), readings.end(), random);
        const auto told = wiredLamp(readings, {});
        ASSERT_TRUE(told.has_value()) << trial << plain(told.error().what);
        ASSERT_EQ(told->kind, WiredLamp::Kind::Leds) << trial;
        // One white may read as a string of others only where the batches overlap: never here but
        // for one of a low voltage and two of a high one, which the family says.
        const auto withFamily = wiredLamp(readings, family);
        ASSERT_TRUE(withFamily.has_value())
            << trial << " " << name(family) << " " << n << " " << resistor.value() << " "
            << forward.value() << " " << readings[0].voltage.value() << " "
            << readings[0].current.value() << " " << readings[1].voltage.value() << " "
            << readings[1].current.value();
        counted += told->inSeries == n ? 1 : 0;
        named += withFamily->inSeries == n ? 1 : 0;
        if (withFamily->inSeries == n) {
            EXPECT_NEAR(withFamily->resistor.value() / resistor.value(), 1, 0.06) << trial;
        }
        if (told->inSeries == n) {
            EXPECT_NE(std::find(told->families.begin(), told->families.end(), family),
                      told->families.end())
                << trial;
        }
        // Whatever it is called, between the readings it takes what was read.
        for (const ForwardPoint& reading : readings) {
            EXPECT_NEAR(told->law.voltage(reading.current).value(), reading.voltage.value(),
                        0.12 * n)
                << trial;
        }
    }
    EXPECT_GE(counted, 320);
    EXPECT_GE(named, 390);
}
TEST(WiredLamp, SaysHowManyWhereNothingElseReadsSo) {
    const LedLaw white = typicalLaw(LedFamily::White), red = typicalLaw(LedFamily::Red);
    const auto told = [](const LedLaw& law, int n, double ohms) {
        std::vector<ForwardPoint> readings;
        for (const double volts : {16.0, 12.0}) {
            readings.push_back({Volts{volts}, at(Volts{volts}, law, n, Ohms{ohms})});
        }
        return *wiredLamp(readings, {});
    };
    EXPECT_EQ(told(white, 1, 1000).inSeries, 1);
    EXPECT_EQ(told(white, 1, 1000).families.front(), LedFamily::White);
    EXPECT_EQ(told(white, 1, 1000).families.size(), 4U);  // blue, true green and uv read alike
    EXPECT_EQ(told(white, 3, 470).inSeries, 3);
    EXPECT_EQ(told(red, 1, 2200).inSeries, 1);
    EXPECT_EQ(told(red, 2, 680).inSeries, 2);
    EXPECT_NEAR(told(red, 2, 680).resistor.value(), 680, 2);
    EXPECT_NEAR(told(white, 1, 0).resistor.value(), 0, 0.5);
}
TEST(WiredLamp, TellsFilamentsAndResistorsApart) {
    std::vector<ForwardPoint> bulb, plain;
    for (const double volts : {4.0, 8.0, 14.0}) {
        bulb.push_back({Volts{volts}, Amperes{0.06 * std::pow(volts / 14, 0.55)}});
        plain.push_back({Volts{volts}, Amperes{volts / 1200}});
    }
    EXPECT_EQ(wiredLamp(bulb, {})->kind, WiredLamp::Kind::Filament);
    EXPECT_NEAR(wiredLamp(bulb, {})->exponent, 0.55, 1e-9);
    EXPECT_EQ(wiredLamp(plain, {})->kind, WiredLamp::Kind::Resistor);
    EXPECT_NEAR(wiredLamp(plain, {})->resistor.value(), 1200, 1e-6);
}
TEST(WiredLamp, RefusesReadingsThatTellNothing) {
    const auto code = [](std::vector<ForwardPoint> readings,
                         std::optional<LedFamily> family = std::nullopt) {
        const auto told = wiredLamp(readings, family);
        return told ? ErrorCode{} : told.error().code;
    };
    const ForwardPoint one{Volts{12}, Amperes{0.01}};
    EXPECT_EQ(code({}), ErrorCode::Missing);
    EXPECT_EQ(code({one}), ErrorCode::Missing);
    EXPECT_EQ(code({one}, LedFamily::Red), ErrorCode{});
    EXPECT_EQ(code({one, {Volts{9}, Amperes{0.011}}}), ErrorCode::OutOfRange);
    EXPECT_EQ(code({one, {Volts{11.5}, Amperes{0.0095}}}), ErrorCode::OutOfRange);
    EXPECT_EQ(code({one, {Volts{6}, Amperes{0}}}), ErrorCode::OutOfRange);
    // Ten LEDs' worth of volts is no lamp that is known here.
    EXPECT_EQ(code({{Volts{20}, Amperes{0.02}}, {Volts{19}, Amperes{0.005}}}),
              ErrorCode::OutOfRange);
    EXPECT_EQ(code({{Volts{1.0}, Amperes{0.01}}}, LedFamily::White), ErrorCode::OutOfRange);
}
TEST(WiredLamp, OfOneReadingAndItsColourTakesTheUsualVoltage) {
    const auto told =
        wiredLamp(std::vector<ForwardPoint>{{Volts{12}, Amperes{0.01}}}, LedFamily::Red);
    // (12 − 1.92) V / 10 mA; 2.0 V at 20 mA less 2·Vt·ln 2 and 5 Ω · 10 mA.
    EXPECT_NEAR(told->resistor.value(), 1008.6, 1);
    EXPECT_NEAR(told->law.voltage(Amperes{0.01}).value(), 12, 1e-9);
}
TEST(JotWired, MakesAPartThatTheCircuitIsSolvedWith) {
    const Job job = jotted(shunter(), {"lamp front white on front", "resistor front none",
                                       "wired front 12V 8.4mA 9V 5.6mA"});
    const LampPart& part = job.groups[0].rows[0].lamps[0].part;
    EXPECT_EQ(part.family, LedFamily::White);
    EXPECT_EQ(part.name, "white LED behind 1 kΩ");
    EXPECT_TRUE(job.groups[0].rows[0].lamps[0].measured);
    // At the bus it takes what it would at the supply, but for the switch.
    const JobAnalysis facts = tests::factsOf(job);
    const RowState& row = facts.groups[0]->rows[0];
    EXPECT_NEAR(voltageOf(*law(part), Amperes{0.0084}).value(), 12, 1e-9);
    EXPECT_NEAR(voltageOf(*law(part), row.current).value(), facts.groups[0]->drive.value(), 1e-3);
    const auto meaning = [&](const char* line) {
        const auto read = applyLine(line, job, tests::smallCatalogue(), "");
        return plain(read ? read->meaning : read.error().what);
    };
    EXPECT_EQ(meaning("wired front 12V 8.4mA 9V 5.6mA"),
              "front lamp: white LED behind 1 kΩ (by its readings white, blue, true-green or uv); "
              "read 12 V at 8.4 mA, 9 V at 5.6 mA");
    EXPECT_EQ(meaning("wired front red 12V 10mA 9V 7.05mA"),
              "front lamp: red LED behind 1 kΩ; read 12 V at 10 mA, 9 V at 7.05 mA");
    EXPECT_NE(meaning("wired front 12V 60mA 9V 51mA").find("filament bulb"), std::string::npos);
    EXPECT_NE(meaning("wired front 12V 10mA 6V 5mA").find("a resistor of 1.2 kΩ"),
              std::string::npos);
    EXPECT_NE(meaning("wired front 12V 8.4mA 9V").find("belongs the current"), std::string::npos);
}
TEST(JotWired, PutsALampInWhereNoneIsYet) {
    const Job bare = tests::newJob("Wagtail", "dock-shunter");
    const auto read = [&](const char* line) {
        return applyLine(line, bare, tests::smallCatalogue(), "");
    };
    const auto cab = read("wired cab 12V 8.4mA 9V 5.6mA");
    ASSERT_TRUE(cab) << plain(cab.error().what);
    ASSERT_EQ(cab->after.groups.size(), 1U);
    EXPECT_EQ(cab->after.groups[0].name, "cab lamp");
    EXPECT_EQ(cab->subject, cab->after.groups[0].id);
    EXPECT_TRUE(cab->after.groups[0].rows[0].lamps[0].measured);
    EXPECT_EQ(cab->after.groups[0].rows[0].lamps[0].part.name, "white LED behind 1 kΩ");
    EXPECT_NE(plain(cab->meaning).find("cab lamp: white LED behind 1 kΩ"), std::string::npos)
        << plain(cab->meaning);
    // As if it had been put in first.
    const Job first = jotted(bare, {"lamp cab white", "wired cab 12V 8.4mA 9V 5.6mA"});
    EXPECT_EQ(cab->after, first);
    EXPECT_EQ(read("wired rear red 12V 10mA 9V 7.05mA")->after.groups[0].rows[0].lamps[0].part.name,
              "red LED behind 1 kΩ");
    // What is refused puts nothing in, and no place goes by that name.
    EXPECT_NE(plain(read("wired cab 12V 60mA 9V 51mA").error().what).find("bulb cab lamp"),
              std::string::npos);
    EXPECT_FALSE(read("wired chimney 12V 8.4mA 9V 5.6mA"));
    EXPECT_FALSE(read("wired cab 12V"));
}

TEST(JotWired, WhatWasReadIsAPartForOtherModelsEachKindOnce) {
    const Job bare = tests::newJob("Wagtail", "dock-shunter");
    EXPECT_TRUE(partsRead(jotted(bare, {"lamp front white"})).empty());
    const Job job = jotted(bare, {"lamp front white", "wired cab 12V 8.4mA 9V 5.6mA",
                                  "parallel cab white", "wired rear red 12V 10mA 9V 7.05mA"});
    Job again = job;
    again.groups[1].rows.push_back(again.groups[1].rows[0]);
    const std::vector<LampPart> read = partsRead(again);
    ASSERT_EQ(read.size(), 2U);
    EXPECT_EQ(read[0].name, "white LED behind 1 kΩ");
    EXPECT_EQ(read[1].name, "red LED behind 1 kΩ");
}

}  // namespace
}  // namespace glimmet::core
