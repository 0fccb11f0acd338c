// What is written straight into text is read back by a reader that we did not write.
#include "cli/json_text.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <cstdint>
#include <limits>

namespace {

using glimmet::cli::JsonText;
using nlohmann::json;

TEST(JsonText, IsReadBackAsItWasMeant) {
    JsonText text;
    text.open('{').with("words", "a \"quoted\" \\ line\nand Ω").with("third", 1.0 / 3);
    text.with("tiny", 4.7e-10).with("yes", true).with("no", false).key("none").null();
    text.key("empty").open('[').close(']').key("rows").open('[');
    text.open('{').close('}').value(2.0).value("x").open('[').close(']').close(']');
    const json read = json::parse(text.close('}').taken());
    const json expected{{"words", "a \"quoted\" \\ line\nand Ω"},
                        {"third", 1.0 / 3},
                        {"tiny", 4.7e-10},
                        {"yes", true},
                        {"no", false},
                        {"none", nullptr},
                        {"empty", json::array()},
                        {"rows", {json::object(), 2.0, "x", json::array()}}};
    EXPECT_EQ(read, expected);
}

TEST(JsonText, WholeNumbersStayWhole) {
    JsonText text;
    text.open('[').value(std::int64_t{100000}).value(std::int64_t{-3});
    EXPECT_EQ(text.close(']').taken(), "[100000,-3]");
}

TEST(JsonText, WhatJsonCannotHoldIsReplaced) {
    JsonText text;
    text.open('[').value(std::numeric_limits<double>::infinity());
    text.value(std::numeric_limits<double>::quiet_NaN()).value("a\xff z");
    const json read = json::parse(text.close(']').taken());
    EXPECT_TRUE(read.at(0).is_null());
    EXPECT_TRUE(read.at(1).is_null());
    EXPECT_EQ(read.at(2), "a\xEF\xBF\xBD z");
}

}  // namespace
