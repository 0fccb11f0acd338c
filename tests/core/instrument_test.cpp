// What a bench meter answers, and logs of it: dialects, and where they are cut.
#include "core/instrument/log_cutting.h"
#include "core/instrument/meter_log.h"
#include "core/instrument/scpi.h"
#include "core/instrument/settled.h"
#include "core/work/measure/log_lines.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <array>
#include <cmath>
#include <random>
#include <sstream>

namespace glimmet::core {
namespace {

TEST(Scpi, NumbersInAllThreeFormsAreReadAndNothingElseIs) {
    EXPECT_EQ(scpi::reading("12").value(), 12);
    EXPECT_EQ(scpi::reading(" +12.02 \r").value(), 12.02);
    EXPECT_EQ(scpi::reading("-1.202E-01\n").value(), -0.1202);
    for (const char* garbage : {"", "  ", "volts", "12 V", "1,2", "12.0;13.0", "+-3", "1e", "inf",
                                "nan", "0x12", "--1", "1e999", "\xff\xfe"}) {
        const auto read = scpi::reading(garbage);
        ASSERT_FALSE(read) << garbage;
        EXPECT_EQ(read.error().code, ErrorCode::Unreadable) << garbage;
        EXPECT_FALSE(plain(read.error().what).empty());
    }
    EXPECT_EQ(scpi::reading("+9.90000000E+37").error().code, ErrorCode::OutOfRange);
    EXPECT_EQ(scpi::reading("-9.9E37").error().code, ErrorCode::OutOfRange);
    EXPECT_EQ(scpi::reading("8.9E37").value(), 8.9e37);
    EXPECT_NE(plain(scpi::reading("9.9E37").error().what).find("overload"), std::string::npos);
    EXPECT_NE(plain(scpi::reading("9.91E37").error().what).find("no value"), std::string::npos);
}

TEST(Scpi, OnlyWhatAMeterMeasuresHasAQuery) {
    EXPECT_STREQ(scpi::query(Dimension::Voltage), "MEAS:VOLT:DC?");
    EXPECT_STREQ(scpi::query(Dimension::Current), "MEAS:CURR:DC?");
    EXPECT_STREQ(scpi::query(Dimension::Resistance), "MEAS:RES?");
    EXPECT_EQ(scpi::query(Dimension::Time), nullptr);
}

TEST(Scpi, AnAddressIsAHostAndAPort) {
    EXPECT_EQ(scpi::address("bench"), (scpi::Address{"bench", 5025}));
    EXPECT_EQ(scpi::address("127.0.0.1:4711"), (scpi::Address{"127.0.0.1", 4711}));
    EXPECT_EQ(scpi::address("[::1]:80"), (scpi::Address{"::1", 80}));
    EXPECT_EQ(scpi::address("::1"), (scpi::Address{"::1", 5025}));
    EXPECT_EQ(scpi::address("bench:65535"), (scpi::Address{"bench", 65535}));
    for (const char* wrong : {"", ":", "bench:", "bench:0", "bench:70000", "bench:5x", "a b",
                              "[::1", "[::1]5", "bench/5", "\xff"}) {
        EXPECT_FALSE(scpi::address(wrong)) << wrong;
    }
}

TEST(Settled, ADriftIsWaitedForAndScatterIsNot) {
    const double rising[] = {1, 1.1, 1.2, 1.3, 1.4};
    EXPECT_FALSE(settled(rising, 1e-3));
    const double four[] = {1, 1, 1, 1};
    EXPECT_FALSE(settled(four, 1e-3));
    const double still[] = {5, 0.180, 0.182, 0.181, 0.183, 0.179};  // the first is long over
    const auto found = settled(still, 1e-3);
    ASSERT_TRUE(found);
    EXPECT_NEAR(found->mean, 0.181, 1e-12);
    EXPECT_NEAR(found->scatter, std::sqrt(10e-6 / 4), 1e-9);
    EXPECT_EQ(found->count, 5U);
    const double slow[] = {1, 1.003, 1.006, 1.009, 1.012};  // 1.2 % in all and nothing but drift
    EXPECT_FALSE(settled(slow, 1e-3));
    const double rough[] = {1.0, 1.2, 0.9, 1.15, 0.95};  // slipping wheels
    EXPECT_TRUE(settled(rough, 1e-3));
    const double falling[] = {1.012, 1.009, 1.006, 1.003, 1};
    EXPECT_FALSE(settled(falling, 1e-3));
    const double within[] = {1, 1.002, 1.004, 1.006, 1.008};  // 0.8 % from first to last
    EXPECT_TRUE(settled(within, 1e-3));
    const double just[] = {1, 1.0024, 1.0048, 1.0072, 1.0096};  // 0.96 %: four steps, not five
    EXPECT_TRUE(settled(just, 1e-3));
    const double nothing[] = {0, 0.0004, 0, 0.0008, 0.0009};  // about nothing the floor counts
    EXPECT_TRUE(settled(nothing, 1e-3));
    EXPECT_FALSE(settled(nothing, 1e-6));
}

TEST(Settled, WhatMayNotLastIsReadAtOnce) {
    const double falling[] = {1.0, 0.9, 0.8, 0.7};  // a stalled motor that warms up
    EXPECT_FALSE(atOnce(std::span(falling).first(2)));
    const auto found = atOnce(falling);
    ASSERT_TRUE(found);
    EXPECT_NEAR(found->mean, 0.9, 1e-12);
    EXPECT_NEAR(found->scatter, 0.1, 1e-12);
    EXPECT_EQ(found->count, 3U);
    EXPECT_TRUE(atOnce(std::span(falling).first(3)));
}

struct Dialect {
    const char* name;
    const char* log;
    char separator;
    bool decimalComma, timed;
    std::size_t head;
};
constexpr Dialect dialects[] = {
    {"commas and heads", "time,voltage,current\n0,12.02,0.181\n0.5,12.01,0.182\n1,12,0.18\n", ',',
     false, true, 1},
    {"semicolons and decimal commas",
     "\xEF\xBB\xBFZeit [s];Spannung [V];Strom "
     "[mA]\r\n0,0;12,02;181\r\n0,5;12,01;182\r\n1,0;12,00;180\r\n",
     ';', true, true, 1},
    {"tabs, a preamble and a clock",
     "Bench log 3\nmade 2026-11-27\n#Clock\tI/A\tU/V\n23:59:59.5\t0.181\t12.02\n"
     "00:00:00.0\t0.182\t12.01\n00:00:00.5\t0.18\t12.0\n",
     '\t', false, true, 3},
    {"no heads, no clock, current first", "0.181|12.02|\n0.182|12.01|\n0.18|12.0|\n", '|', false,
     false, 0},
    {"quotes keep decimal commas whole",
     "\"t\",\"I (A)\",\"U (mV)\"\n\"0\",\"0,181\",\"12020\"\n\"0,5\",\"0,182\",\"12010\"\n"
     "\"1\",\"0,18\",\"12000\"\n",
     ',', true, true, 1},
    {"blanks, units and scientific notation, ISO time",
     "2026-11-27T10:00:00 1.202E+01V 1.81E-01A\n2026-11-27T10:00:00.5 1.201E+01V 1.82E-01A\n"
     "2026-11-27T10:00:01 1.2E+01V 1.8E-01A\n",
     ' ', false, true, 0},
};

TEST(MeterLog, SixDialectsSayTheSame) {
    for (const Dialect& each : dialects) {
        SCOPED_TRACE(each.name);
        const auto dialect = guessedDialect(each.log);
        ASSERT_TRUE(dialect);
        EXPECT_EQ(dialect->separator, each.separator);
        EXPECT_EQ(dialect->decimalComma, each.decimalComma);
        EXPECT_EQ(dialect->head, each.head);
        const auto log = meterLog(each.log, *dialect);
        ASSERT_TRUE(log);
        EXPECT_EQ(log->timed, each.timed);
        EXPECT_EQ(log->skipped, 0U);
        ASSERT_EQ(log->rows.size(), 3U);
        for (std::size_t i = 0; i < 3; ++i) {
            EXPECT_NEAR(log->rows[i].time, static_cast<double>(i) * (each.timed ? 0.5 : 1), 1e-6);
            EXPECT_NEAR(log->rows[i].volts, 12.02 - 0.01 * static_cast<double>(i), 1e-9);
        }
        EXPECT_NEAR(log->rows[0].amps, 0.181, 1e-12);
        EXPECT_NEAR(log->rows[1].amps, 0.182, 1e-12);
        EXPECT_NEAR(log->rows[2].amps, 0.18, 1e-12);
    }
}

TEST(MeterLog, AGuessCanBePutRight) {
    const std::string log = "a,b\n0.181,12.02\n0.182,12.01\n";
    auto dialect = guessedDialect(log).value();
    EXPECT_EQ(dialect.amps, std::size_t{0});
    EXPECT_EQ(dialect.volts, std::size_t{1});
    EXPECT_FALSE(dialect.time);
    EXPECT_EQ(dialect.columns, (std::vector<std::string>{"a", "b"}));
    dialect.amps = 1;
    dialect.ampsUnit = 1e-3;
    dialect.volts = 0;
    const auto read = meterLog(log, dialect);
    ASSERT_TRUE(read);
    EXPECT_NEAR(read->rows[0].amps, 0.01202, 1e-12);
    EXPECT_NEAR(read->rows[0].volts, 0.181, 1e-12);
    dialect.amps.reset();
    EXPECT_EQ(meterLog(log, dialect).error().code, ErrorCode::Missing);
}

TEST(MeterLog, DaysCountHeadsAreWholeWordsAndFieldsMayBeEmptyOrPadded) {
    const std::string days =
        "at ; Umdrehung ; \"I (A)\" ;U\n2026-02-28 23:59:59;1;0.1;12\n2026-03-01 00:00:01;2; 0.2 "
        ";12\n"
        "2026-03-02 00:00:01;3;\"\";12\n2026-03-02 00:00:02;3;\"0.3\";12\n";
    const auto dialect = guessedDialect(days).value();
    EXPECT_EQ(dialect.volts, std::size_t{3});  // “Umdrehung” begins with U and is none
    EXPECT_EQ(dialect.amps, std::size_t{2});
    const auto read = meterLog(days, dialect);
    ASSERT_TRUE(read);
    ASSERT_EQ(read->rows.size(), 3U);
    EXPECT_EQ(read->skipped, 1U);
    EXPECT_NEAR(read->rows[1].time, 2, 1e-6);
    EXPECT_NEAR(read->rows[2].time, 86403, 1e-6);
    EXPECT_EQ(read->rows[1].amps, 0.2);
}

TEST(MeterLog, LinesThatSayNothingAreCountedAndWhatIsNoLogIsRefused) {
    const std::string log = "t,U,I\n0,12,0.1\noverload,,\n1,12,OL\n2,12,0.2\n\n";
    const auto read = meterLog(log, guessedDialect(log).value());
    ASSERT_TRUE(read);
    EXPECT_EQ(read->rows.size(), 2U);
    EXPECT_EQ(read->skipped, 2U);
    EXPECT_EQ(read->rows[1].time, 2);
    for (const char* wrong : {"", "\n\n", "hello\nworld\n", "\x00\x01\x02"}) {
        EXPECT_EQ(guessedDialect(wrong).error().code, ErrorCode::Unreadable) << wrong;
    }
    // A picture is no log.
    std::string noise;
    std::mt19937 random(1);
    for (int i = 0; i < 4000; ++i) noise += static_cast<char>(random());
    if (const auto dialect = guessedDialect(noise)) {
        const auto rows = meterLog(noise, *dialect);
        EXPECT_TRUE(!rows || rows->rows.size() < 10);
    }
}

struct Step {
    double seconds, volts, amps, noise;
};
/// A log of levels with white noise, a reading every `period`; and where the levels begin.
std::pair<std::vector<LogRow>, std::vector<std::size_t>> session(const std::vector<Step>& steps,
                                                                 double period, unsigned seed) {
    std::mt19937 random(seed);
    std::normal_distribution<> normal;
    std::vector<LogRow> rows;
    std::vector<std::size_t> edges;
    for (const Step& step : steps) {
        edges.push_back(rows.size());
        const auto count = static_cast<std::size_t>(std::lround(step.seconds / period));
        for (std::size_t i = 0; i < count; ++i) {
            rows.push_back({static_cast<double>(rows.size()) * period,
                            step.volts * (1 + 0.002 * normal(random)),
                            step.amps * (1 + step.noise * normal(random))});
        }
    }
    return {rows, edges};
}
const std::vector<Step> wholeSession{
    {5, 0, 0.0001, 1}, {20, 12, 0.18, 0.03}, {15, 12, 0.31, 0.05}, {8, 11.8, 0.62, 0.08},
    {4, 0, 0.0001, 1}, {3, 2.0, 0.95, 0.01}, {4, 0, 0.0001, 1}};

TEST(LogCutting, EdgesAreFoundWhereTheyWereMadeAtEveryRate) {
    for (const double period : {0.01, 0.1, 0.25, 0.5}) {
        for (unsigned seed = 1; seed <= 40; ++seed) {
            SCOPED_TRACE(testing::Message() << "every " << period << " s, seed " << seed);
            const auto [rows, edges] = session(wholeSession, period, seed);
            const auto parts = cutLog(rows);
            ASSERT_EQ(parts.size(), wholeSession.size());
            for (std::size_t i = 0; i < parts.size(); ++i) {
                EXPECT_NEAR(static_cast<double>(parts[i].from), static_cast<double>(edges[i]), 1);
                EXPECT_EQ(parts[i].to, i + 1 < parts.size() ? parts[i + 1].from : rows.size());
                if (wholeSession[i].volts > 0) {
                    EXPECT_NEAR(parts[i].amps.value(), wholeSession[i].amps,
                                wholeSession[i].amps * 0.06);
                    EXPECT_NEAR(parts[i].volts.value(), wholeSession[i].volts, 0.2);
                }
            }
            EXPECT_EQ(parts[0].condition, std::nullopt);
            EXPECT_EQ(parts[1].condition, MotorCondition::Light);
            EXPECT_EQ(parts[2].condition, MotorCondition::Hauling);
            EXPECT_EQ(parts[3].condition, MotorCondition::Slipping);
            EXPECT_EQ(parts[4].condition, std::nullopt);
            EXPECT_EQ(parts[5].condition, MotorCondition::Stalled);
        }
    }
}

TEST(LogCutting, SpikesAndSlowChangesAreNoEdges) {
    auto [rows, edges] = session({{30, 12, 0.2, 0.02}}, 0.1, 3);
    rows[50].amps = 3;
    rows[120].amps = 0;
    for (std::size_t i = 0; i < rows.size(); ++i) {
        rows[i].amps *= 1 + 0.15 * static_cast<double>(i) / static_cast<double>(rows.size());
    }
    const auto parts = cutLog(rows);
    ASSERT_EQ(parts.size(), 1U);
    EXPECT_EQ(parts[0].condition, MotorCondition::Light);
    EXPECT_TRUE(parts[0].steady);
}

TEST(LogCutting, AStallIsReadCold) {
    auto [rows, edges] = session({{10, 12, 0.2, 0.02}, {4, 4, 1, 0.001}}, 0.05, 5);
    for (std::size_t i = edges[1]; i < rows.size(); ++i) {  // warms up by a seventh
        const double share =
            static_cast<double>(i - edges[1]) / static_cast<double>(rows.size() - edges[1]);
        rows[i].amps /= 1 + 0.14 * share;
    }
    const auto parts = cutLog(rows);
    ASSERT_EQ(parts.size(), 2U);
    ASSERT_EQ(parts[1].condition, MotorCondition::Stalled);
    EXPECT_GT(parts[1].amps.value(), 0.975);
    // Named otherwise, the whole of it counts.
    EXPECT_LT(partOf(rows, parts[1].from, parts[1].to, MotorCondition::Slipping).amps.value(),
              0.95);
}

TEST(LogCutting, TheWindingTellsAStallFromASlip) {
    const auto [rows, edges] = session({{10, 12, 0.2, 0.02}, {5, 11, 0.9, 0.02}}, 0.1, 7);
    EXPECT_EQ(cutLog(rows)[1].condition, MotorCondition::Slipping);  // 4.9 times: not certain
    EXPECT_EQ(cutLog(rows, Ohms{12})[1].condition, MotorCondition::Stalled);
    EXPECT_EQ(cutLog(rows, Ohms{4})[1].condition, MotorCondition::Slipping);
}

TEST(LogCutting, ScatterIsThatOfARow) {
    const std::vector<LogRow> rows{{0, 12, 0.1}, {1, 12, 0.3}, {2, 12, 0.2}, {3, 12, 0.2}};
    EXPECT_NEAR(partOf(rows, 0, 4, std::nullopt).scatter.value(), std::sqrt(0.02 / 3), 1e-12);
    EXPECT_EQ(partOf(rows, 0, 1, std::nullopt).scatter.value(), 0);
}

TEST(LogCutting, SmallCurrentsAreCurrentsToo) {
    const auto [rows, edges] = session({{3, 0, 0, 0}, {10, 12, 0.015, 0.02}}, 0.1, 7);
    const auto parts = cutLog(rows);
    ASSERT_EQ(parts.size(), 2U);
    EXPECT_EQ(parts[1].condition, MotorCondition::Light);
}

TEST(LogCutting, WithoutVoltsTheCurrentAloneIsCut) {
    auto [rows, edges] = session({{10, 12, 0.2, 0.02}, {5, 11, 0.31, 0.02}}, 0.1, 7);
    for (LogRow& row : rows) row.volts = 0;
    const auto parts = cutLog(rows);
    ASSERT_EQ(parts.size(), 2U);
    EXPECT_EQ(parts[0].condition, MotorCondition::Light);
    EXPECT_EQ(parts[1].condition, MotorCondition::Hauling);
}

TEST(LogCutting, ARampIsNoReading) {
    std::vector<LogRow> rows;
    for (int i = 0; i < 200; ++i) rows.push_back({i * 0.1, 12, 0.2});
    for (int i = 0; i < 100; ++i) rows.push_back({20 + i * 0.1, 12, 0.2 + i * 0.012});
    std::size_t from = 0;
    for (const LogPart& part : cutLog(rows)) {
        EXPECT_EQ(part.from, from);
        from = part.to;
        if (part.from < 150) {
            EXPECT_EQ(part.condition, MotorCondition::Light);
        }
    }
    EXPECT_EQ(from, rows.size());
    EXPECT_FALSE(partOf(rows, 200, 300, std::nullopt).steady);
}

TEST(LogCutting, NothingOrOneRowIsCutWithoutHarm) {
    EXPECT_TRUE(cutLog({}).empty());
    const std::vector<LogRow> one{{0, 12, 0.2}};
    ASSERT_EQ(cutLog(one).size(), 1U);
    EXPECT_EQ(cutLog(one)[0].condition, std::nullopt);
    for (std::size_t n = 2; n < 20; ++n) {
        const std::vector<LogRow> few(n, {0, 12, 0.2});  // all at the same time
        ASSERT_EQ(cutLog(few).size(), 1U) << n;
        EXPECT_EQ(cutLog(few)[0].to, n);
    }
}

TEST(LogLines, SayWhatAPartCameToAndByHowMuchItScattered) {
    LogPart light{0, 10, MotorCondition::Light, true, Volts{12}, Amperes{0.18}, Amperes{0.0031}};
    LogPart unsteady = light;
    unsteady.steady = false;
    LogPart stall{10, 20, MotorCondition::Stalled, true, Volts{11}, Amperes{1.1}, Amperes{0.05}};
    LogPart off{20, 30, {}, true, Volts{0}, Amperes{0}, Amperes{0}};
    const std::array parts{light, unsteady, stall, off};
    EXPECT_EQ(measure::logLines(parts, "tail"),
              (std::vector<std::string>{"light 180mA 12V scatter 3.1mA of tail",
                                        "light 180mA 12V of tail", "stall 1.1A 11V of tail"}));
}

}  // namespace
}  // namespace glimmet::core
