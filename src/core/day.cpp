#include "core/day.h"

#include <charconv>
#include <chrono>

namespace glimmet::core {

std::optional<int> dayNumber(std::string_view date) {
    if (date.size() != 10 || date[4] != '-' || date[7] != '-') return std::nullopt;
    const auto number = [&](std::size_t at, std::size_t size) {
        unsigned value = 0;
        const char* end = date.data() + at + size;
        const auto [stop, error] = std::from_chars(date.data() + at, end, value);
        return error == std::errc{} && stop == end ? std::optional(value) : std::nullopt;
    };
    const auto year = number(0, 4), month = number(5, 2), day = number(8, 2);
    if (!year || !month || !day) return std::nullopt;
    const std::chrono::year_month_day found{std::chrono::year(static_cast<int>(*year)),
                                            std::chrono::month(*month), std::chrono::day(*day)};
    if (!found.ok()) return std::nullopt;
    return std::chrono::sys_days(found).time_since_epoch().count();
}

}  // namespace glimmet::core
