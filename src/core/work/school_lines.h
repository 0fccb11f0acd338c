// Lines about choices that fitters make differently: of the house, and of one job.
#pragma once

#include "core/jot/command.h"

namespace glimmet::core {

/// "school first-power plain-dc"; "school first-power house": as the house does.
[[nodiscard]] Result<JotResult> schoolOfJob(const jot::ParsedLine& said);
/// The same for the house itself.
[[nodiscard]] Result<WorkshopJotResult> schoolOfHouse(const jot::ParsedLine& said);

namespace jot {

[[nodiscard]] std::vector<Named> schoolNames(const Context& context);
/// The words of all schools together.
[[nodiscard]] std::vector<Named> schoolValues(const Context& context);
[[nodiscard]] std::vector<Named> schoolValuesOrHouse(const Context& context);

template <std::vector<Named> (*values)(const Context&)>
inline constexpr Argument schoolArguments[] = {
    {.what = "WHICH",
     .kind = Argument::Kind::Name,
     .needed = true,
     .missing = "Which choice: isolation, run-in, first-power …?",
     .names = schoolNames},
    {.what = "VALUE", .kind = Argument::Kind::Name, .names = values},
    {.what = "TIME", .dimension = Dimension::Time, .least = 1, .most = 36000, .zero = true},
    {.what = "VOLTS", .dimension = Dimension::Voltage, .least = 1, .most = 30}};
inline constexpr const char* schoolMeaning = "a choice that workshops make differently";

}  // namespace jot

}  // namespace glimmet::core
