// A meter's log as text: values in columns, in the many dialects that meters write.
#pragma once

#include "core/quantity/quantities.h"
#include "core/result.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core {

/// How a log is written. What was guessed is shown and can be put right.
struct LogDialect {
    char separator = ',';  ///< , ; tab, | or blank
    bool decimalComma = false;
    std::size_t head = 0;                              ///< lines before the first values
    std::vector<std::string> columns;                  ///< as headed, else "1", "2" …
    std::optional<std::size_t> time, volts, amps;      ///< which column; nothing: not there
    double timeUnit = 1, voltsUnit = 1, ampsUnit = 1;  ///< of a value, in SI: 0.001 for mA
    bool operator==(const LogDialect&) const = default;
};

struct LogRow {
    double time = 0;   ///< s, from the first row
    double volts = 0;  ///< V; 0 where no column has them
    double amps = 0;   ///< A
};

struct MeterLog {
    LogDialect dialect;
    std::vector<LogRow> rows;
    std::size_t skipped = 0;  ///< lines behind the head that hold no values
    bool timed = true;        ///< false: no clock; a row counts as a second
};

/// What the first lines look like: separator by what parts most lines alike, columns by their
/// heads ("U [V]", "Current (mA)", "t/s"), else by what stands in them. Errors: Unreadable where no
/// column of numbers is found.
[[nodiscard]] Result<LogDialect> guessedDialect(std::string_view log);

/// All of its rows, in the order of the file; time may be a number or a clock ("12:03:04.5", with
/// or without a date before it). Errors: Missing without a column of amperes; Unreadable where not
/// one line holds values; TooMuch beyond mostLogRows.
[[nodiscard]] Result<MeterLog> meterLog(std::string_view log, const LogDialect& dialect);
inline constexpr std::size_t mostLogRows = 2'000'000;

}  // namespace glimmet::core
