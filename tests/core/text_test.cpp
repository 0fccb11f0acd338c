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
// The edges of RFC 3629, and where the first byte stands that is none.
TEST(Text, KnowsUtf8) {
    for (const char* good :
         {"", "a", "ä", "橋", "🚂", "\x7f", "\xc2\x80", "\xdf\xbf", "\xe0\xa0\x80", "\xed\x9f\xbf",
          "\xee\x80\x80", "\xef\xbf\xbf", "\xf0\x90\x80\x80", "\xf4\x8f\xbf\xbf"}) {
        EXPECT_EQ(firstNotUtf8(good), std::string_view(good).size()) << good;
    }
    for (const char* bad :
         {"\x80", "\xbf", "\xc0\xaf", "\xc1\xbf", "\xc2", "\xc2\x7f", "\xc2\xc0", "\xe0\x9f\xbf",
          "\xe1\x80", "\xe1\x80\x7f", "\xed\xa0\x80", "\xf0\x8f\xbf\xbf", "\xf1\x80\x80",
          "\xf4\x90\x80\x80", "\xf5\x80\x80\x80", "\xff"}) {
        EXPECT_EQ(firstNotUtf8(bad), 0U);
        EXPECT_EQ(firstNotUtf8("ä橋" + std::string(bad) + "x"), 5U);
    }
}
// A lamp's name may look like a pattern; it must come out as it went in.
TEST(Text, DoesNotReadValuesAsPatterns) {
    EXPECT_EQ(plain(text("%1 and %2", "%2", "b")), "%2 and b");
}

}  // namespace
}  // namespace glimmet::core
