#include "core/quantity/format.h"

#include <array>
#include <charconv>
#include <cmath>
#include <cstdlib>

namespace glimmet::core {
namespace {

struct Decimal {  // sign · 0.d₁d₂d₃… × 10^point, without trailing zeros
    bool negative = false;
    std::string digits;
    int point = 0;
};

/// Splits what to_chars writes in scientific form: "-4.7e+03" -> negative, "47", 4.
Decimal decimalOf(double value, int significant) {
    std::array<char, 64> buffer{};
    const auto end = significant > 0 ? std::to_chars(buffer.begin(), buffer.end(), value,
                                                     std::chars_format::scientific, significant - 1)
                                     : std::to_chars(buffer.begin(), buffer.end(), value,
                                                     std::chars_format::scientific);
    Decimal decimal;
    const std::string written(buffer.begin(), end.ptr);
    const auto exponentAt = written.find('e');
    for (const char c : written.substr(0, exponentAt)) {
        if (c == '-') decimal.negative = true;
        if (c >= '0' && c <= '9') decimal.digits += c;
    }
    while (decimal.digits.size() > 1 && decimal.digits.back() == '0') decimal.digits.pop_back();
    decimal.point = std::atoi(written.c_str() + exponentAt + 1) + 1;
    return decimal;
}

/// The digits with the decimal point `before` places from their start.
std::string placed(const std::string& digits, int before) {
    if (before <= 0) return "0." + std::string(static_cast<std::size_t>(-before), '0') + digits;
    const auto whole = static_cast<std::size_t>(before);
    if (digits.size() <= whole) return digits + std::string(whole - digits.size(), '0');
    return digits.substr(0, whole) + "." + digits.substr(whole);
}

struct Prefix {
    int exponent;
    const char* name;
};
constexpr std::array<Prefix, 8> prefixes{
    {{-12, "p"}, {-9, "n"}, {-6, "µ"}, {-3, "m"}, {0, ""}, {3, "k"}, {6, "M"}, {9, "G"}}};

std::string joined(const std::string& number, std::string_view prefix, std::string_view unit) {
    if (prefix.empty() && unit.empty()) return number;
    return number + " " + std::string(prefix) + std::string(unit);
}

std::string written(double value, Dimension dimension, int significant) {
    const std::string_view unit = symbol(dimension);
    if (std::isnan(value)) return "not a number";
    if (std::isinf(value)) return value < 0 ? "minus infinite" : "infinite";
    Decimal decimal = decimalOf(value, significant);
    const std::string sign = decimal.negative ? "-" : "";
    if (decimal.digits == "0") return joined("0", "", unit);
    // Lengths are held in metres and shown in millimetres; speeds, temperatures and plain numbers
    // take no prefix.
    const bool scaled = dimension != Dimension::Length && dimension != Dimension::Ratio &&
                        dimension != Dimension::Speed && dimension != Dimension::Temperature;
    if (dimension == Dimension::Length) decimal.point += 3;
    if (!scaled && decimal.point > -4 && decimal.point <= 7) {
        return sign + joined(placed(decimal.digits, decimal.point), "", unit);
    }
    for (const Prefix& prefix : prefixes) {
        const int before = decimal.point - prefix.exponent;
        if (scaled && before >= 1 && before <= 3) {
            return sign + joined(placed(decimal.digits, before), prefix.name, unit);
        }
    }
    const std::string exponent = "e" + std::to_string(decimal.point - 1);
    return sign + joined(placed(decimal.digits, 1) + exponent, "", unit);
}

}  // namespace

std::string_view symbol(Dimension dimension) {
    switch (dimension) {
        case Dimension::Voltage:
            return "V";
        case Dimension::Current:
            return "A";
        case Dimension::Resistance:
            return "Ω";
        case Dimension::Capacitance:
            return "F";
        case Dimension::Power:
            return "W";
        case Dimension::Energy:
            return "J";
        case Dimension::Charge:
            return "Ah";
        case Dimension::Time:
            return "s";
        case Dimension::Length:
            return "mm";
        case Dimension::Speed:
            return "m/s";
        case Dimension::Temperature:
            return "°C";
        case Dimension::Ratio:
            break;
    }
    return "";
}

std::string_view jsonSuffix(Dimension dimension) {
    switch (dimension) {
        case Dimension::Resistance:
            return "_ohm";
        case Dimension::Speed:
            return "_m_s";
        case Dimension::Temperature:
            return "_C";
        case Dimension::Voltage:
            return "_V";
        case Dimension::Current:
            return "_A";
        case Dimension::Capacitance:
            return "_F";
        case Dimension::Power:
            return "_W";
        case Dimension::Energy:
            return "_J";
        case Dimension::Charge:
            return "_Ah";
        case Dimension::Time:
            return "_s";
        case Dimension::Length:
            return "_mm";
        case Dimension::Ratio:
            break;
    }
    return "";
}

std::string formatted(double siValue, Dimension dimension, int significant) {
    // Nobody counts kiloseconds.
    const double seconds = std::abs(siValue);
    if (dimension == Dimension::Time && seconds >= 600 && std::isfinite(seconds)) {
        const bool hours = seconds >= 7200;
        return written(siValue / (hours ? 3600 : 60), Dimension::Ratio, significant) +
               (hours ? " h" : " min");
    }
    return written(siValue, dimension, significant);
}

std::string formattedExactly(double siValue, Dimension dimension) {
    return written(siValue, dimension, 0);
}

std::string percent(double ratio) {
    const double hundredths = ratio * 100.0;
    if (std::abs(hundredths) < 10.0) return formatted(hundredths, Dimension::Ratio, 2) + " %";
    return formatted(std::round(hundredths), Dimension::Ratio, 17) + " %";
}

}  // namespace glimmet::core
