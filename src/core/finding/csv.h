// Fields of comma-separated tables, after RFC 4180.
#pragma once

#include <string>

namespace glimmet::core {

/// Quoted where it has to be; what a spreadsheet would take for a formula has a ' before it.
[[nodiscard]] inline std::string csvField(std::string words) {
    if (!words.empty() && std::string("=+-@\t\r").find(words.front()) != std::string::npos)
        words.insert(words.begin(), '\'');
    if (words.find_first_of(",\"\r\n") == std::string::npos) return words;
    std::string quoted = "\"";
    for (const char each : words) quoted += each == '"' ? "\"\"" : std::string(1, each);
    return quoted + "\"";
}

}  // namespace glimmet::core
