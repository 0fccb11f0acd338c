// JSON written straight into text. `check` writes tens of kilobytes for a job: a tree of its
// findings, built to be written once, cost a fifth of the whole command (docs/performance.md).
#pragma once

#include <cstdint>
#include <string>
#include <string_view>
#include <utility>

namespace glimmet::cli {

/// Objects and arrays are opened and closed by their brackets; commas come by themselves.
class JsonText {
public:
    JsonText& open(char bracket);
    JsonText& close(char bracket);
    JsonText& key(std::string_view name);
    /// Bytes that are no UTF-8 are written as U+FFFD.
    JsonText& value(std::string_view words);
    /// Else a literal would be a bool.
    JsonText& value(const char* words) { return value(std::string_view(words)); }
    /// At full precision; null where it is no finite number.
    JsonText& value(double number);
    /// Whole: an id of 100000 is not 1e+05.
    JsonText& value(std::int64_t number);
    JsonText& value(bool yes);
    JsonText& null();

    template <class Value>
    JsonText& with(std::string_view name, const Value& given) {
        return key(name).value(given);
    }

    [[nodiscard]] std::string taken() { return std::move(m_text); }

private:
    void separate();

    std::string m_text;
};

}  // namespace glimmet::cli
