#include "core/finding/figure.h"

#include "core/finding/finding.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

Figure stall() {
    return figures::computed(
        text("Stall current"), "I_stall", Amperes{1.3976}, "(V_track − V_rect) / R_path",
        {figures::measured(text("Track"), "V_track", Volts{14.5}, "2026-03-02", {}),
         figures::assumed(text("Rectifier"), "V_rect", Volts{1.2}, text("two silicon diodes")),
         figures::computed(
             text("Path"), "R_path", Ohms{9.2308}, "V / I",
             {figures::made(text("Volts"), "V", Volts{12}, {Basis::Kind::Measured, {}, {}}),
              figures::made(text("Amps"), "I", Amperes{1.3}, {Basis::Kind::Measured, {}, {}})})});
}

TEST(Figure, ExplainsItselfWithThisJobsValues) {
    EXPECT_EQ(withValues(stall()), "(14.5 V − 1.2 V) / 9.231 Ω");
    EXPECT_EQ(shown(stall()), "1.398 A");
}
// "V_led10" must not be read as "V_led1" followed by a 0.
TEST(Figure, ReplacesTheLongestSymbolFirst) {
    const Figure sum = figures::computed(text("Sum"), "S", Volts{5}, "V_led1 + V_led10",
                                         {figures::made(text("a"), "V_led1", Volts{2}, {}),
                                          figures::made(text("b"), "V_led10", Volts{3}, {})});
    EXPECT_EQ(withValues(sum), "2 V + 3 V");
}
TEST(Figure, SaysWhatItRestsOn) {
    EXPECT_EQ(plain(words(stall().inputs[0].basis)), "measured 2026-03-02");
    EXPECT_EQ(plain(words(stall().inputs[1].basis)), "assumed: two silicon diodes");
    const Figure missing =
        figures::missing(text("Slip"), "I", Dimension::Current, text("press it down"), "slip ");
    EXPECT_EQ(shown(missing), "not known");
    EXPECT_EQ(plain(words(missing.basis)), "not measured: press it down");
}
TEST(Figure, KnowsWhetherAnythingBelowItIsAssumed) {
    EXPECT_TRUE(restsOnAssumption(stall()));
    EXPECT_FALSE(restsOnAssumption(stall().inputs[2]));
}
TEST(AllFigures, ListsEachSymbolOnce) {
    Finding finding;
    finding.figures = {stall(), stall().inputs[0]};
    std::vector<std::string> symbols;
    for (const Figure* figure : allFigures(finding)) symbols.push_back(figure->symbol);
    EXPECT_EQ(symbols,
              (std::vector<std::string>{"I_stall", "V_track", "V_rect", "R_path", "V", "I"}));
}

}  // namespace
}  // namespace glimmet::core
