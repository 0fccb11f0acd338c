#include "core/quantity/parse.h"

#include "core/text.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <charconv>
#include <cmath>
#include <optional>

namespace glimmet::core {
namespace {

struct UnitWord {
    std::string_view word;
    Dimension dimension;
    int exponent;       ///< power of ten to the SI base unit
    double factor = 1;  ///< what no power of ten can say
    bool prefixed = false;
};

// Matched whole; words that are safe to write in any case are compared in lower case.
constexpr std::array<UnitWord, 64> unitWords{{
    {"v", Dimension::Voltage, 0, 1, true},
    {"volt", Dimension::Voltage, 0, 1, true},
    {"volts", Dimension::Voltage, 0, 1, true},
    {"vdc", Dimension::Voltage, 0, 1, true},
    {"a", Dimension::Current, 0, 1, true},
    {"amp", Dimension::Current, 0, 1, true},
    {"amps", Dimension::Current, 0, 1, true},
    {"ampere", Dimension::Current, 0, 1, true},
    {"amperes", Dimension::Current, 0, 1, true},
    {"ω", Dimension::Resistance, 0, 1, true},
    {"Ω", Dimension::Resistance, 0, 1, true},  // U+03A9
    {"Ω", Dimension::Resistance, 0, 1, true},  // U+2126, the ohm sign
    {"r", Dimension::Resistance, 0, 1, false},
    {"ohm", Dimension::Resistance, 0, 1, true},
    {"ohms", Dimension::Resistance, 0, 1, true},
    {"kilohm", Dimension::Resistance, 3, 1, false},
    {"kilohms", Dimension::Resistance, 3, 1, false},
    {"megohm", Dimension::Resistance, 6, 1, false},
    {"megohms", Dimension::Resistance, 6, 1, false},
    {"f", Dimension::Capacitance, 0, 1, true},
    {"farad", Dimension::Capacitance, 0, 1, true},
    {"farads", Dimension::Capacitance, 0, 1, true},
    {"w", Dimension::Power, 0, 1, true},
    {"watt", Dimension::Power, 0, 1, true},
    {"watts", Dimension::Power, 0, 1, true},
    {"j", Dimension::Energy, 0, 1, true},
    {"joule", Dimension::Energy, 0, 1, true},
    {"joules", Dimension::Energy, 0, 1, true},
    {"ah", Dimension::Charge, 0, 1, true},
    {"s", Dimension::Time, 0, 1, true},
    {"sec", Dimension::Time, 0, 1, false},
    {"secs", Dimension::Time, 0, 1, false},
    {"second", Dimension::Time, 0, 1, false},
    {"seconds", Dimension::Time, 0, 1, false},
    {"min", Dimension::Time, 0, 60, false},
    {"mins", Dimension::Time, 0, 60, false},
    {"minute", Dimension::Time, 0, 60, false},
    {"minutes", Dimension::Time, 0, 60, false},
    {"h", Dimension::Time, 0, 3600, false},
    {"hr", Dimension::Time, 0, 3600, false},
    {"hrs", Dimension::Time, 0, 3600, false},
    {"hour", Dimension::Time, 0, 3600, false},
    {"hours", Dimension::Time, 0, 3600, false},
    {"mm", Dimension::Length, -3, 1, false},
    {"cm", Dimension::Length, -2, 1, false},
    {"m", Dimension::Length, 0, 1, false},
    {"metre", Dimension::Length, 0, 1, false},
    {"metres", Dimension::Length, 0, 1, false},
    {"millimetre", Dimension::Length, -3, 1, false},
    {"millimetres", Dimension::Length, -3, 1, false},
    {"um", Dimension::Length, -6, 1, false},
    {"\"", Dimension::Length, -4, 254, false},
    {"in", Dimension::Length, -4, 254, false},
    {"inch", Dimension::Length, -4, 254, false},
    {"inches", Dimension::Length, -4, 254, false},
    {"m/s", Dimension::Speed, 0, 1, false},
    {"km/h", Dimension::Speed, 0, 1 / 3.6, false},
    {"kmh", Dimension::Speed, 0, 1 / 3.6, false},
    {"kph", Dimension::Speed, 0, 1 / 3.6, false},
    {"°c", Dimension::Temperature, 0, 1, false},
    {"c", Dimension::Temperature, 0, 1, false},
    {"degc", Dimension::Temperature, 0, 1, false},
    {"degrees", Dimension::Temperature, 0, 1, false},
    {"celsius", Dimension::Temperature, 0, 1, false},
}};

struct PrefixWord {
    std::string_view word;
    int exponent;
};
constexpr std::array<PrefixWord, 16> prefixWords{{{"p", -12},
                                                  {"n", -9},
                                                  {"u", -6},
                                                  {"µ", -6},  // U+00B5, the micro sign
                                                  {"μ", -6},  // U+03BC, the Greek letter
                                                  {"milli", -3},
                                                  {"micro", -6},
                                                  {"kilo", 3},
                                                  {"mega", 6},
                                                  {"m", -3},
                                                  {"k", 3},
                                                  {"K", 3},
                                                  {"M", 6},
                                                  {"G", 9},
                                                  {"R", 0},
                                                  {"r", 0}}};

const char* example(Dimension dimension) {
    switch (dimension) {
        case Dimension::Voltage:
            return "14.5 V";
        case Dimension::Current:
            return "470 mA";
        case Dimension::Resistance:
            return "4k7";
        case Dimension::Capacitance:
            return "220u";
        case Dimension::Power:
            return "250 mW";
        case Dimension::Energy:
            return "8.2 J";
        case Dimension::Charge:
            return "800 mAh";
        case Dimension::Time:
            return "25 min";
        case Dimension::Length:
            return "12.5 mm";
        case Dimension::Speed:
            return "0.06 m/s";
        case Dimension::Temperature:
            return "45 °C";
        case Dimension::Ratio:
            break;
    }
    return "0.15";
}

Text nameOf(Dimension dimension) {
    switch (dimension) {
        case Dimension::Voltage:
            return text("a voltage");
        case Dimension::Current:
            return text("a current");
        case Dimension::Resistance:
            return text("a resistance");
        case Dimension::Capacitance:
            return text("a capacitance");
        case Dimension::Power:
            return text("a power");
        case Dimension::Energy:
            return text("an energy");
        case Dimension::Charge:
            return text("a charge");
        case Dimension::Time:
            return text("a time");
        case Dimension::Length:
            return text("a length");
        case Dimension::Speed:
            return text("a speed");
        case Dimension::Temperature:
            return text("a temperature");
        case Dimension::Ratio:
            break;
    }
    return text("a plain number");
}

std::string trimmed(std::string_view words) {
    const auto space = [](char c) { return c == ' ' || c == '\t' || c == '\n' || c == '\r'; };
    while (!words.empty() && space(words.front())) words.remove_prefix(1);
    while (!words.empty() && space(words.back())) words.remove_suffix(1);
    return std::string(words);
}

bool digit(char c) { return c >= '0' && c <= '9'; }

tl::unexpected<Error> refuse(std::string_view words, Dimension dimension, Text why) {
    return failure(ErrorCode::NotUnderstood, "",
                   text("“%1” is not %2: %3 Write it like %4.", std::string(words.substr(0, 60)),
                        nameOf(dimension), std::move(why), example(dimension)));
}

struct Suffix {
    int exponent = 0;
    double factor = 1;
    std::optional<Dimension> dimension;  ///< unset where only a prefix stood
};

/// The unit word with or without a prefix, or a prefix alone. Empty when it is neither.
std::optional<Suffix> suffixOf(std::string_view word, Dimension wanted) {
    if (word.empty()) return Suffix{wanted == Dimension::Length ? -3 : 0, 1, std::nullopt};
    for (const UnitWord& unit : unitWords) {
        // "M" alone is mega, never metre; so one-letter m keeps its case.
        const bool same = unit.word == "m" ? word == "m" && wanted == Dimension::Length
                                           : lowered(word) == unit.word || word == unit.word;
        if (same) return Suffix{unit.exponent, unit.factor, unit.dimension};
    }
    for (const PrefixWord& prefix : prefixWords) {
        // Spelled out, capitals make no difference; of one letter they do.
        const bool spelled = prefix.word.size() > 2;
        const bool same = spelled ? lowered(word.substr(0, prefix.word.size())) == prefix.word
                                  : word.starts_with(prefix.word);
        if (!same) continue;
        const std::string_view rest = word.substr(prefix.word.size());
        const bool lengthless = wanted != Dimension::Length && wanted != Dimension::Ratio;
        if (rest.empty()) {
            const bool isR = prefix.exponent == 0;
            if (!lengthless || (isR && wanted != Dimension::Resistance)) return std::nullopt;
            return Suffix{prefix.exponent, 1, std::nullopt};
        }
        if (prefix.exponent == 0) continue;
        for (const UnitWord& unit : unitWords) {
            if (unit.prefixed && (lowered(rest) == unit.word || rest == unit.word)) {
                return Suffix{prefix.exponent + unit.exponent, unit.factor, unit.dimension};
            }
        }
    }
    return std::nullopt;
}

/// Digits, decimal text and an exponent, converted once, so that the result is correctly rounded.
std::optional<double> converted(const std::string& number, int exponent) {
    const auto e = number.find_first_of("eE");
    int total = exponent;
    if (e != std::string::npos) {
        int own = 0;
        const char* first = number.c_str() + e + 1;
        if (*first == '+') ++first;
        const auto end = std::from_chars(first, number.c_str() + number.size(), own);
        if (end.ec != std::errc{} || end.ptr != number.c_str() + number.size()) return {};
        total += own;
    }
    const std::string whole = number.substr(0, e) + "e" + std::to_string(total);
    double value = 0;
    const auto end = std::from_chars(whole.data(), whole.data() + whole.size(), value);
    if (end.ec == std::errc::result_out_of_range) {
        // Too small is zero, which is honest to any meter; too large is refused by the caller.
        const bool tiny = total < 0;
        return tiny ? 0.0 : HUGE_VAL;
    }
    if (end.ec != std::errc{} || end.ptr != whole.data() + whole.size()) return {};
    return value;
}

/// "1 1/2", "3/32": the value, or nothing when it is no fraction.
std::optional<double> fraction(std::string_view number) {
    const auto slash = number.find('/');
    if (slash == std::string_view::npos) return {};
    const auto blank = number.find(' ');
    double whole = 0;
    std::string_view top = number.substr(0, slash);
    if (blank != std::string_view::npos && blank < slash) {
        const std::string wholeText = trimmed(number.substr(0, blank));
        if (wholeText.empty() || !std::all_of(wholeText.begin(), wholeText.end(), digit)) return {};
        whole = std::strtod(wholeText.c_str(), nullptr);
        top = number.substr(blank + 1, slash - blank - 1);
    }
    const std::string above = trimmed(top);
    const std::string below = trimmed(number.substr(slash + 1));
    const auto isCount = [](const std::string& s) {
        return !s.empty() && s.size() < 10 && std::all_of(s.begin(), s.end(), digit);
    };
    if (!isCount(above) || !isCount(below)) return {};
    const double divisor = std::strtod(below.c_str(), nullptr);
    if (!(divisor > 0)) return {};
    return whole + std::strtod(above.c_str(), nullptr) / divisor;
}

/// Index of the first character that is no longer part of the number.
std::size_t numberEnd(const std::string& words) {
    std::size_t at = 0;
    if (at < words.size() && (words[at] == '-' || words[at] == '+')) ++at;
    while (at < words.size()) {
        const char c = words[at];
        const bool inFraction = c == ' ' && at + 1 < words.size() && digit(words[at + 1]) &&
                                words.find('/', at) != std::string::npos;
        const bool slash = c == '/' && at > 0 && at + 1 < words.size() && digit(words[at + 1]);
        if (digit(c) || c == '.' || c == ',' || slash || inFraction) {
            ++at;
            continue;
        }
        if (c == 'e' || c == 'E') {
            std::size_t next = at + 1;
            if (next < words.size() && (words[next] == '-' || words[next] == '+')) ++next;
            if (at > 0 && next < words.size() && digit(words[next])) {
                at = next;
                while (at < words.size() && digit(words[at])) ++at;
            }
            break;
        }
        break;
    }
    return at;
}

}  // namespace

Result<double> parsedSi(std::string_view original, Dimension dimension) {
    std::string words = trimmed(original);
    if (words.empty()) return refuse(original, dimension, text("it is empty."));
    // A typographic minus is as good as a hyphen.
    if (words.starts_with("−")) words = "-" + words.substr(std::string_view("−").size());

    std::size_t end = numberEnd(words);
    std::string number = words.substr(0, end);
    std::string rest = trimmed(std::string_view(words).substr(end));

    // 4k7, 0R47, R47: the prefix stands where the point would.
    if (!rest.empty() && number.find_first_of(".,/eE") == std::string::npos) {
        for (const PrefixWord& prefix : prefixWords) {
            if (!rest.starts_with(prefix.word)) continue;
            std::size_t after = prefix.word.size();
            const std::size_t first = after;
            while (after < rest.size() && digit(rest[after])) ++after;
            if (after == first || words[end] == ' ') continue;
            number += "." + rest.substr(first, after - first);
            rest = std::string(prefix.word) + trimmed(std::string_view(rest).substr(after));
            break;
        }
    }
    const bool negative = number.starts_with("-");
    if (negative || number.starts_with("+")) number.erase(0, 1);
    const bool hasDigit = std::any_of(number.begin(), number.end(), digit);
    if (!hasDigit) return refuse(original, dimension, text("it holds no number."));

    const auto commas = std::count(number.begin(), number.end(), ',');
    const auto points = std::count(number.begin(), number.end(), '.');
    if (commas == 1 && points == 0) {
        const std::size_t comma = number.find(',');
        const std::size_t decimals =
            number.find_first_of("eE", comma) == std::string::npos ? number.size() - comma - 1 : 0;
        if (decimals == 3 && comma > 0 && comma <= 3 && number[0] != '0') {
            return refuse(original, dimension,
                          text("the comma could be a decimal comma or group thousands."));
        }
        number[comma] = '.';
    } else if (commas + points > 1) {
        return refuse(original, dimension, text("it has more than one point or comma."));
    }

    const std::optional<Suffix> suffix = suffixOf(rest, dimension);
    if (!suffix)
        return refuse(original, dimension, text("“%1” is no unit for it.", rest.substr(0, 40)));
    if (suffix->dimension && *suffix->dimension != dimension) {
        return refuse(original, dimension,
                      text("it is written as %1.", nameOf(*suffix->dimension)));
    }
    std::optional<double> value;
    if (number.find('/') != std::string::npos) {
        value = fraction(number);
        if (value) *value *= std::pow(10.0, suffix->exponent);
    } else {
        value = converted(number, suffix->exponent);
    }
    if (!value)
        return refuse(original, dimension, text("“%1” is no number.", number.substr(0, 40)));
    const double result = *value * suffix->factor;
    if (!std::isfinite(result)) {
        return failure(ErrorCode::OutOfRange, "",
                       text("“%1” is larger than any number can be. Write it like %2.",
                            std::string(original.substr(0, 60)), example(dimension)));
    }
    return negative ? -result : result;
}

Result<int> parsedGauge(std::string_view original) {
    std::string words = lowered(trimmed(original));
    if (const auto at = words.find("awg"); at != std::string::npos) words.erase(at, 3);
    if (words.starts_with("#")) words.erase(0, 1);
    words = trimmed(words);
    const auto refuseGauge = [&] {
        return failure(ErrorCode::NotUnderstood, "",
                       text("“%1” is not a wire gauge from 10 to 50. Write it like 28 AWG.",
                            std::string(original.substr(0, 60))));
    };
    int gauge = 0;
    const auto end = std::from_chars(words.data(), words.data() + words.size(), gauge);
    if (end.ec != std::errc{} || end.ptr != words.data() + words.size()) return refuseGauge();
    if (gauge < 10 || gauge > 50) return refuseGauge();
    return gauge;
}

Result<Dimension> dimensionNamed(std::string_view original) {
    const std::string words = trimmed(original);
    const std::string rest = trimmed(std::string_view(words).substr(numberEnd(words)));
    for (const Dimension wanted :
         {Dimension::Voltage, Dimension::Current, Dimension::Resistance, Dimension::Capacitance,
          Dimension::Power, Dimension::Time, Dimension::Length, Dimension::Charge, Dimension::Speed,
          Dimension::Temperature}) {
        const auto suffix = suffixOf(rest, wanted);
        if (!rest.empty() && suffix && suffix->dimension == wanted &&
            parsedSi(original, wanted).has_value()) {
            return wanted;
        }
    }
    // 4k7, 220: no unit, or only a prefix.
    return failure(ErrorCode::NotUnderstood, "",
                   text("“%1” carries no unit.", std::string(original.substr(0, 60))));
}

}  // namespace glimmet::core
