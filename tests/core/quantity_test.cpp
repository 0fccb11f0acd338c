#include "core/quantity/format.h"
#include "core/quantity/parse.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

namespace glimmet::core {
namespace {

struct Written {
    const char* words;
    double value;
};

template <class Quantity>
void expectRead(std::initializer_list<Written> cases) {
    for (const Written& written : cases) {
        const auto value = parsedSi(written.words, dimensionOf<Quantity>);
        ASSERT_TRUE(value.has_value()) << written.words << ": " << plain(value.error().what);
        EXPECT_DOUBLE_EQ(*value, written.value) << written.words;
    }
}

TEST(ParseQuantity, ReadsResistancesTheWayTheyArePrintedAndSpoken) {
    expectRead<Ohms>({{"4k7", 4700},
                      {"4.7k", 4700},
                      {"4,7k", 4700},
                      {"0R47", 0.47},
                      {"R47", 0.47},
                      {"470R", 470},
                      {"470", 470},
                      {"2M2", 2.2e6},
                      {"4.7 kΩ", 4700},
                      {"4.7 kohm", 4700},
                      {"9.8 ohms", 9.8},
                      {"1e3", 1000},
                      {"1K", 1000},
                      {"100 mΩ", 0.1},
                      {"4.7 kΩ", 4700},
                      {"1.5M", 1.5e6},
                      {"4k70", 4700}});
}
TEST(ParseQuantity, ReadsDegrees) {
    expectRead<Celsius>({{"60C", 60},
                         {"60 °C", 60},
                         {"-15 degC", -15},
                         {"45 degrees", 45},
                         {"21.5", 21.5},
                         {"0 Celsius", 0}});
    EXPECT_EQ(formatted(Celsius{60}), "60 °C");
    EXPECT_EQ(formatted(Celsius{-4.5}), "-4.5 °C");
    EXPECT_EQ(formatted(Celsius{1200}), "1200 °C");  // no prefix
    EXPECT_EQ(jsonSuffix(Dimension::Temperature), "_C");
    EXPECT_EQ(dimensionNamed("60 °C"), Dimension::Temperature);
    EXPECT_FALSE(parsedSi("60 F", Dimension::Temperature));
    EXPECT_FALSE(parsedSi("60C", Dimension::Capacitance));
}
TEST(ParseQuantity, ReadsCurrentsAndVoltages) {
    expectRead<Amperes>({{"470 mA", 0.47},
                         {".47A", 0.47},
                         {"0,47 A", 0.47},
                         {"1.15A", 1.15},
                         {"500u", 5e-4},
                         {"500 µA", 5e-4},
                         {"500 μA", 5e-4}});
    expectRead<Volts>({{"12V", 12},
                       {"14,5 volts", 14.5},
                       {"-1.25 V", -1.25},
                       {"−3 V", -3},
                       {"1.2e1V", 12},
                       {"+5 V", 5},
                       {"250 mV", 0.25}});
}
TEST(ParseQuantity, ReadsCapacitancesTimesAndPowers) {
    expectRead<Farads>({{"220u", 220e-6}, {"4n7", 4.7e-9}, {"0.47F", 0.47}, {"100 pF", 1e-10}});
    expectRead<Seconds>({{"25 min", 1500}, {"10 ms", 0.01}, {"2h", 7200}, {"90", 90}});
    expectRead<Watts>({{"250 mW", 0.25}, {"1/4 W", 0.25}});
}
TEST(ParseQuantity, ReadsUnitsInWords) {
    expectRead<Seconds>({{"3 s", 3},
                         {"3 sec", 3},
                         {"3 second", 3},
                         {"3 seconds", 3},
                         {"2 min", 120},
                         {"2 minutes", 120},
                         {"2 h", 7200},
                         {"2 hours", 7200},
                         {"3 secs", 3},
                         {"2 mins", 120},
                         {"1 minute", 60},
                         {"2 hr", 7200},
                         {"2 hrs", 7200},
                         {"1 hour", 3600},
                         {"4 ms", 0.004}});
    expectRead<Farads>({{"2 farad", 2}, {"2 farads", 2}, {"3 microfarads", 3e-6}});
    expectRead<Ohms>({{"2 kilohm", 2000},
                      {"4.7 kilohms", 4700},
                      {"2 megohm", 2e6},
                      {"3 megohms", 3e6},
                      {"2.2 kilo", 2200},
                      {"1 mega", 1e6},
                      {"5 milliohms", 0.005}});
    expectRead<Volts>({{"12 vdc", 12}, {"12VDC", 12}, {"3 millivolts", 0.003}});
    expectRead<Watts>({{"2 watt", 2}, {"2 watts", 2}, {"3 mwatts", 0.003}});
    expectRead<Joules>({{"8.2 J", 8.2}, {"2 joule", 2}, {"2 joules", 2}, {"5 mJ", 0.005}});
    expectRead<Amperes>({{"2 amperes", 2}, {"1e+3 A", 1000}, {"1e-3 A", 0.001}, {"1E3A", 1000}});
    expectRead<Metres>({{"1 metre", 1},
                        {"500 um", 5e-4},
                        {"2 inch", 0.0508},
                        {"2 inches", 0.0508},
                        {"2 metres", 2},
                        {"3 millimetre", 0.003},
                        {"12 millimetres", 0.012}});
    // Words take no prefix where nobody says it so.
    for (const char* words : {"3 msec", "3 kmin", "3 mseconds", "2 kh"}) {
        EXPECT_FALSE(parsedSi(words, Dimension::Time).has_value()) << words;
    }
}
TEST(ParseQuantity, ReadsLengthsInMillimetresInchesAndFractions) {
    expectRead<Metres>({{"250", 0.25}, {"250 mm", 0.25}, {"1.5 cm", 0.015}, {"0.3 m", 0.3}});
    // 3/32 in = 3 * 25.4 / 32 mm = 2.38125 mm.
    EXPECT_NEAR(*parsedSi("3/32\"", Dimension::Length), 0.00238125, 1e-15);
    EXPECT_NEAR(*parsedSi("1 1/2 in", Dimension::Length), 0.0381, 1e-15);
    for (const char* words : {"1.5 1/2 in", "1/2/3 in", "1/0 in", "1 /2 1 in"}) {
        EXPECT_FALSE(parsedSi(words, Dimension::Length).has_value()) << words;
    }
    EXPECT_DOUBLE_EQ(parsed<Millimetres>("12.5 mm")->value(), 12.5);
}
TEST(ParseQuantity, ReadsWireGauges) {
    EXPECT_EQ(*parsedGauge("28 AWG"), 28);
    EXPECT_EQ(*parsedGauge("AWG 28"), 28);
    EXPECT_EQ(*parsedGauge("28awg"), 28);
    EXPECT_EQ(*parsedGauge("36"), 36);
    EXPECT_EQ(*parsedGauge("10"), 10);
    EXPECT_EQ(*parsedGauge("50"), 50);
    EXPECT_FALSE(parsedGauge("9").has_value());
    EXPECT_FALSE(parsedGauge("51").has_value());
    EXPECT_FALSE(parsedGauge("28.5 AWG").has_value());
    EXPECT_FALSE(parsedGauge("900 AWG").has_value());
}

TEST(ParseQuantity, RefusesWithTheReasonAndAnExample) {
    const auto comma = parsedSi("1,000", Dimension::Resistance);
    ASSERT_FALSE(comma.has_value());
    EXPECT_EQ(plain(comma.error().what),
              "“1,000” is not a resistance: the comma could be a decimal comma or group thousands. "
              "Write it like 4k7.");
    const auto unit = parsedSi("12 A", Dimension::Voltage);
    ASSERT_FALSE(unit.has_value());
    EXPECT_EQ(plain(unit.error().what),
              "“12 A” is not a voltage: it is written as a current. Write it like 14.5 V.");
}
TEST(ParseQuantity, RefusesWhatIsNoQuantity) {
    for (const char* words : {"", " ", "V", "abc", "1.2.3", "1..2", "4k7k", "--5", "1e", "NaN",
                              "inf", "1e999", "0x10", "4k7 apples", "1/0", "1/", "💡", "٣"}) {
        EXPECT_FALSE(parsedSi(words, Dimension::Resistance).has_value()) << words;
    }
}
TEST(ParseQuantity, AcceptsACommaThatCannotGroupThousands) {
    EXPECT_DOUBLE_EQ(*parsedSi("0,470 A", Dimension::Current), 0.47);
    EXPECT_DOUBLE_EQ(*parsedSi("1,5", Dimension::Current), 1.5);
    EXPECT_FALSE(parsedSi("1,234.5", Dimension::Current).has_value());
}
TEST(DimensionNamed, TellsWhatAUnitMeasures) {
    EXPECT_EQ(*dimensionNamed("1.15A"), Dimension::Current);
    EXPECT_EQ(*dimensionNamed("12 V"), Dimension::Voltage);
    EXPECT_EQ(*dimensionNamed("9.8 ohms"), Dimension::Resistance);
    EXPECT_FALSE(dimensionNamed("220").has_value());
    EXPECT_FALSE(dimensionNamed("front").has_value());
}

TEST(FormatQuantity, WritesEngineeringForm) {
    EXPECT_EQ(formatted(Ohms{4700}), "4.7 kΩ");
    EXPECT_EQ(formatted(Farads{220e-6}), "220 µF");
    EXPECT_EQ(formatted(Amperes{0.4}), "400 mA");
    EXPECT_EQ(formatted(Volts{-1.25}), "-1.25 V");
    EXPECT_EQ(formatted(Volts{0}), "0 V");
    EXPECT_EQ(formatted(Millimetres{28.2}), "28.2 mm");
    EXPECT_EQ(formatted(Millimetres{1500}), "1500 mm");
    EXPECT_EQ(formatted(Volts{1e20}), "1e20 V");
    EXPECT_EQ(formatted(Ohms{2076.797}, 3), "2.08 kΩ");
}
// 999.96 rounds up into the next prefix: "1 kΩ", never "1000 Ω".
TEST(FormatQuantity, RoundsIntoTheNextPrefix) {
    EXPECT_EQ(formatted(Ohms{999.96}), "1 kΩ");
    EXPECT_EQ(formatted(Ohms{999.94}), "999.9 Ω");
}
TEST(FormatQuantity, NeverDressesUpWhatIsNoNumber) {
    EXPECT_EQ(formatted(Volts{std::nan("")}), "not a number");
    EXPECT_EQ(formatted(Volts{HUGE_VAL}), "infinite");
}
TEST(Percent, RoundsToWhatIsWorthSaying) {
    EXPECT_EQ(percent(0.153), "15 %");
    EXPECT_EQ(percent(0.0341), "3.4 %");
    EXPECT_EQ(percent(0.0996), "10 %");
    EXPECT_EQ(percent(0.1), "10 %");
    EXPECT_EQ(percent(0.105), "11 %");
    EXPECT_EQ(percent(-0.153), "-15 %");
    EXPECT_EQ(percent(1), "100 %");
    EXPECT_EQ(percent(12.34), "1234 %");
    EXPECT_EQ(percent(0), "0 %");
}

/// Any double over many decades, of either sign.
double anyValue(std::mt19937& random) {
    std::uniform_real_distribution<double> mantissa(1, 10), exponent(-30, 30);
    std::bernoulli_distribution negative(0.3);
    const double value = mantissa(random) * std::pow(10.0, std::floor(exponent(random)));
    return negative(random) ? -value : value;
}

constexpr Dimension everyDimension[] = {
    Dimension::Voltage, Dimension::Current, Dimension::Resistance, Dimension::Capacitance,
    Dimension::Power,   Dimension::Energy,  Dimension::Time,       Dimension::Length,
    Dimension::Speed,   Dimension::Ratio};

// The exact form carries every digit, so the double that comes back is the same one.
TEST(QuantityRoundTrip, ExactFormReadsBackAsTheIdenticalNumber) {
    std::mt19937 random(20261);
    for (const Dimension dimension : everyDimension) {
        for (int trial = 0; trial < 2000; ++trial) {
            const double value = anyValue(random);
            const std::string words = formattedExactly(value, dimension);
            const auto back = parsedSi(words, dimension);
            ASSERT_TRUE(back.has_value()) << words << ": " << plain(back.error().what);
            ASSERT_EQ(*back, value) << words;
        }
    }
}
// The displayed form is rounded to four digits: half a unit of the fourth is 5e-4 at the most.
TEST(QuantityRoundTrip, DisplayedFormReadsBackWithinItsRoundingAndStaysAsItIs) {
    std::mt19937 random(7);
    for (const Dimension dimension : everyDimension) {
        for (int trial = 0; trial < 2000; ++trial) {
            const double value = anyValue(random);
            const std::string words = formatted(value, dimension);
            const auto back = parsedSi(words, dimension);
            ASSERT_TRUE(back.has_value()) << words;
            ASSERT_NEAR(*back, value, 5.0001e-4 * std::abs(value)) << words;
            ASSERT_EQ(formatted(*back, dimension), words);
        }
    }
}

}  // namespace
}  // namespace glimmet::core
