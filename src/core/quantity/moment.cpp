#include "core/quantity/moment.h"

#include <charconv>
#include <chrono>

namespace glimmet::core {
namespace {

using namespace std::chrono;
using Minutes = time_point<system_clock, minutes>;

std::optional<int> number(std::string_view digits) {
    int value = 0;
    const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), value);
    if (error != std::errc() || end != digits.data() + digits.size()) return {};
    return value;
}

std::optional<Minutes> minutesOf(std::string_view moment) {
    if (moment.size() < 10 || moment[4] != '-' || moment[7] != '-') return {};
    const auto y = number(moment.substr(0, 4)), m = number(moment.substr(5, 2)),
               d = number(moment.substr(8, 2));
    if (!y || !m || !d) return {};
    const year_month_day day{year{*y}, month{static_cast<unsigned>(*m)},
                             std::chrono::day{static_cast<unsigned>(*d)}};
    if (!day.ok()) return {};
    const Minutes midnight = sys_days{day};
    if (moment.size() == 10) return midnight;
    if (moment.size() < 16 || moment[10] != 'T' || moment[13] != ':') return {};
    const auto hour = number(moment.substr(11, 2)), minute = number(moment.substr(14, 2));
    if (!hour || !minute || *hour < 0 || *hour > 23 || *minute < 0 || *minute > 59) return {};
    return midnight + hours{*hour} + minutes{*minute};
}

std::string padded(int value, std::size_t digits) {
    std::string made = std::to_string(value);
    return made.size() < digits ? std::string(digits - made.size(), '0') + made : made;
}

std::string spelled(Minutes at) {
    const auto midnight = floor<days>(at);
    const year_month_day day{midnight};
    const int minute = static_cast<int>((at - midnight).count());
    return padded(static_cast<int>(day.year()), 4) + "-" +
           padded(static_cast<int>(static_cast<unsigned>(day.month())), 2) + "-" +
           padded(static_cast<int>(static_cast<unsigned>(day.day())), 2) + "T" +
           padded(minute / 60, 2) + ":" + padded(minute % 60, 2);
}

}  // namespace

std::optional<std::string> later(std::string_view moment, Seconds by) {
    const auto from = minutesOf(moment);
    if (!from) return {};
    return spelled(*from + minutes{static_cast<long>(by.value() / 60 + 0.5)});
}

std::optional<Seconds> between(std::string_view one, std::string_view other) {
    const auto a = minutesOf(one), b = minutesOf(other);
    if (!a || !b) return {};
    return Seconds{static_cast<double>((*b - *a).count()) * 60};
}

std::string clockOf(std::string_view moment) {
    return std::string(moment.size() >= 16 ? moment.substr(11, 5) : moment);
}

}  // namespace glimmet::core
