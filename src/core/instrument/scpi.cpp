#include "core/instrument/scpi.h"

#include <charconv>

namespace glimmet::core::scpi {

const char* query(Dimension dimension) {
    switch (dimension) {
        case Dimension::Voltage:
            return "MEAS:VOLT:DC?";
        case Dimension::Current:
            return "MEAS:CURR:DC?";
        case Dimension::Resistance:
            return "MEAS:RES?";
        default:
            return nullptr;
    }
}

Result<double> reading(std::string_view answer) {
    constexpr std::string_view blanks = " \t\r\n";
    const auto first = answer.find_first_not_of(blanks);
    const std::string_view words =
        first == std::string_view::npos
            ? std::string_view{}
            : answer.substr(first, answer.find_last_not_of(blanks) + 1 - first);
    const auto noNumber = [&] {
        return words.empty()
                   ? failure(ErrorCode::Unreadable, "meter",
                             text("The meter answered nothing where a number was asked for."))
                   : failure(ErrorCode::Unreadable, "meter",
                             text("The meter answered “%1”, which is no number.",
                                  shortened(words.substr(0, firstNotUtf8(words)), 40)));
    };
    std::string_view number = words;
    if (number.starts_with('+')) number.remove_prefix(1);
    if (number.empty() || number.find_first_not_of("0123456789.eE+-") != std::string_view::npos ||
        (words.starts_with('+') && number.starts_with('-'))) {
        return noNumber();
    }
    double value = 0;
    const auto end = number.data() + number.size();
    const auto [stop, error] = std::from_chars(number.data(), end, value);
    if (error != std::errc{} || stop != end) return noNumber();
    if (value > 9.905e37 && value < 9.915e37) {
        return failure(ErrorCode::OutOfRange, "meter", text("The meter has no value to show."));
    }
    if (value > 9e37 || value < -9e37) {
        return failure(
            ErrorCode::OutOfRange, "meter",
            text("The meter shows overload: the circuit is open, or its range is too small."));
    }
    return value;
}

Result<Address> address(std::string_view words) {
    const auto fault = [words] {
        return failure(
            ErrorCode::NotUnderstood, "meter",
            text("“%1” is no address of a meter. Write host and port, like %2.",
                 shortened(words.substr(0, firstNotUtf8(words)), 60), "bench-meter:5025"));
    };
    Address made;
    const auto colon = words.rfind(':');
    // More than one colon without brackets is an address of IPv6 with no port.
    const bool bracketed = words.starts_with('[');
    if (bracketed) {
        const auto close = words.find(']');
        if (close == std::string_view::npos) return fault();
        made.host = words.substr(1, close - 1);
        words.remove_prefix(close + 1);
        if (!words.empty() && !words.starts_with(':')) return fault();
        if (!words.empty()) words.remove_prefix(1);
    } else if (colon != std::string_view::npos && words.find(':') == colon) {
        made.host = words.substr(0, colon);
        words.remove_prefix(colon + 1);
        if (words.empty()) return fault();
    } else {
        made.host = words;
        words = {};
    }
    constexpr std::string_view letters =
        "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789.-_:%";
    if (made.host.empty() || made.host.size() > 253 ||
        made.host.find_first_not_of(letters) != std::string::npos) {
        return fault();
    }
    if (!words.empty()) {
        const auto [stop, error] =
            std::from_chars(words.data(), words.data() + words.size(), made.port);
        if (error != std::errc{} || stop != words.data() + words.size() || made.port == 0) {
            return fault();
        }
    }
    return made;
}

}  // namespace glimmet::core::scpi
