#include "store/json_fields.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <cmath>

namespace glimmet::store {
namespace {

std::vector<std::string> faultsOf(std::string_view text, void (*read)(JsonFields&)) {
    std::vector<Fault> faults;
    if (const auto document = parsedJson(text, faults)) {
        JsonFields fields(*document, "/here", faults);
        read(fields);
    }
    std::vector<std::string> sentences;
    for (const Fault& fault : faults) sentences.push_back(sentence(fault));
    return sentences;
}

using Lines = std::vector<std::string>;

TEST(JsonFields, SaysPlaceFoundAndAllowed) {
    EXPECT_EQ(faultsOf(R"({"a": -1})", [](JsonFields& f) { f.number("a", from0); }),
              Lines{"/here/a: found -1, allowed: a number, 0 or more"});
    EXPECT_EQ(faultsOf(R"({})", [](JsonFields& f) { f.number("a", above0); }),
              Lines{"/here/a: found nothing, allowed: a number above 0"});
    EXPECT_EQ(faultsOf(R"({"a": "x"})", [](JsonFields& f) { f.truth("a"); }),
              Lines{"/here/a: found \"x\", allowed: true or false"});
    EXPECT_EQ(faultsOf(R"({"a": "up"})",
                       [](JsonFields& f) {
                           f.word("a", {"left", "right"});
                       }),
              Lines{"/here/a: found \"up\", allowed: \"left\", \"right\""});
    EXPECT_EQ(faultsOf(R"({"a": []})", [](JsonFields& f) { (void)f.list("a", 1); }),
              Lines{"/here/a: found a list of 0, allowed: a list of at least 1"});
    EXPECT_EQ(faultsOf(R"({"a": 2.5})", [](JsonFields& f) { f.number("a", wholeBetween(0, 255)); }),
              Lines{"/here/a: found 2.5, allowed: a whole number, 0 to 255"});
}
TEST(JsonFields, GathersAllFaultsAndEveryFieldNobodyAskedFor) {
    EXPECT_EQ(faultsOf(R"({"a": null, "b/c": 1, "d": 2})",
                       [](JsonFields& f) {
                           f.number("a", from0);
                           f.number("d", from0);
                       }),
              (Lines{"/here/a: found null, allowed: a number, 0 or more",
                     "/here/b~1c: found an unknown field, allowed: only a, d"}));
}
TEST(JsonFields, RefusesWhatIsNoObject) {
    EXPECT_EQ(faultsOf("[1]", [](JsonFields& f) { f.number("a", from0, 0); }),
              Lines{"/here: found a list of 1, allowed: an object"});
}
TEST(ParsedJson, NamesLineAndColumnOfASyntaxError) {
    EXPECT_EQ(faultsOf("{\n  \"a\": nan\n}", [](JsonFields&) {}),
              Lines{"line 2, column 9: found what is no JSON there, allowed: a JSON document"});
    EXPECT_EQ(faultsOf("  ", [](JsonFields&) {}).at(0).substr(0, 6), "line 1");
}
TEST(ParsedJson, RefusesAFieldThatStandsTwice) {
    const auto lines = faultsOf(R"({"a": {"b": 1}, "c": {"b": 2, "b": 3}})", [](JsonFields&) {});
    ASSERT_EQ(lines.size(), 1U);
    EXPECT_NE(lines[0].find("the field twice"), std::string::npos);
}
TEST(ParsedJson, RefusesNumbersBeyondDoubleAndBrokenUtf8) {
    EXPECT_EQ(faultsOf(R"({"a": 1e999})", [](JsonFields&) {}).size(), 1U);
    EXPECT_EQ(faultsOf("{\"a\": \"\xff\"}", [](JsonFields&) {}).size(), 1U);
}
TEST(Range, HoldsItsEnds) {
    EXPECT_FALSE(above0.holds(0));
    EXPECT_TRUE(from0.holds(0));
    EXPECT_TRUE(between(0, 1).holds(1));
    EXPECT_FALSE(between(0, 1).holds(std::nan("")));
    EXPECT_TRUE(wholeBetween(1, 5).holds(3.0));
    EXPECT_FALSE(wholeBetween(1, 5).holds(3.1));
}

}  // namespace
}  // namespace glimmet::store
