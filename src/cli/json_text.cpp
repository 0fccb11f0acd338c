#include "cli/json_text.h"

#include "core/text.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>

namespace glimmet::cli {

void JsonText::separate() {
    if (m_text.empty()) return;
    const char last = m_text.back();
    if (last != '{' && last != '[' && last != ':') m_text += ',';
}

JsonText& JsonText::open(char bracket) {
    separate();
    m_text += bracket;
    return *this;
}

JsonText& JsonText::close(char bracket) {
    m_text += bracket;
    return *this;
}

JsonText& JsonText::key(std::string_view name) {
    value(name);
    m_text += ':';
    return *this;
}

JsonText& JsonText::value(std::string_view words) {
    separate();
    const bool isPlain = std::none_of(words.begin(), words.end(), [](char letter) {
        return letter == '"' || letter == '\\' || static_cast<unsigned char>(letter) < 0x20;
    });
    if (isPlain && core::firstNotUtf8(words) == words.size()) {
        m_text += '"';
        m_text += words;
        m_text += '"';
    } else {
        m_text +=
            nlohmann::json(words).dump(-1, ' ', false, nlohmann::json::error_handler_t::replace);
    }
    return *this;
}

JsonText& JsonText::value(double number) {
    if (!std::isfinite(number)) return null();
    separate();
    std::array<char, 32> digits{};
    const auto [end, fault] = std::to_chars(digits.data(), digits.data() + digits.size(), number);
    m_text.append(digits.data(), end);
    return *this;
}

JsonText& JsonText::value(std::int64_t number) {
    separate();
    m_text += std::to_string(number);
    return *this;
}

JsonText& JsonText::value(bool yes) {
    separate();
    m_text += yes ? "true" : "false";
    return *this;
}

JsonText& JsonText::null() {
    separate();
    m_text += "null";
    return *this;
}

}  // namespace glimmet::cli
