#include "core/text.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

TEST(Text, PutsValuesWhereTheirNumbersStand) {
    EXPECT_EQ(plain(text("%2 of %1", "ten", "two")), "two of ten");
}
TEST(Text, KeepsPercentSignsAndNumbersWithoutAValue) {
    EXPECT_EQ(plain(text("5 % and %3 of %1", "x")), "5 % and %3 of x");
}
TEST(Text, NestsSentences) {
    EXPECT_EQ(plain(text("Fits: %1.", text("it draws %1", "1 A"))), "Fits: it draws 1 A.");
}
TEST(Text, LeavesVerbatimWordsAlone) { EXPECT_EQ(plain(verbatim("100 %1")), "100 %1"); }
// A lamp's name may look like a pattern; it must come out as it went in.
TEST(Text, DoesNotReadValuesAsPatterns) {
    EXPECT_EQ(plain(text("%1 and %2", "%2", "b")), "%2 and b");
}

}  // namespace
}  // namespace glimmet::core
