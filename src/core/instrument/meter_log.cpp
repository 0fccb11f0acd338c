#include "core/instrument/meter_log.h"

#include "core/day.h"

#include <algorithm>
#include <charconv>
#include <cmath>

namespace glimmet::core {
namespace {

constexpr std::string_view separators = ";\t,| ";

/// The next line without its end; `rest` moves behind it.
std::string_view nextLine(std::string_view& rest) {
    const auto end = std::min(rest.find('\n'), rest.size());
    std::string_view line = rest.substr(0, end);
    rest.remove_prefix(std::min(end + 1, rest.size()));
    if (line.ends_with('\r')) line.remove_suffix(1);
    return line;
}

std::string_view withoutMark(std::string_view log) {
    if (log.starts_with("\xEF\xBB\xBF")) log.remove_prefix(3);
    return log;
}

std::string_view trimmed(std::string_view words) {
    while (!words.empty() && (words.front() == ' ' || words.front() == '\t'))
        words.remove_prefix(1);
    while (!words.empty() && (words.back() == ' ' || words.back() == '\t')) words.remove_suffix(1);
    return words;
}

/// The fields of a line; what stands in quotes is kept whole. `fields` is used again and again.
void split(std::string_view line, char separator, std::vector<std::string_view>& fields) {
    fields.clear();
    std::size_t from = 0;
    bool quoted = false;
    for (std::size_t i = 0; i <= line.size(); ++i) {
        if (i < line.size() && line[i] == '"') quoted = !quoted;
        if (i < line.size() && (quoted || line[i] != separator)) continue;
        std::string_view field = trimmed(line.substr(from, i - from));
        if (field.size() >= 2 && field.front() == '"' && field.back() == '"') {
            field = trimmed(field.substr(1, field.size() - 2));
        }
        // Blanks part by how many there are no more than by one.
        if (separator != ' ' || !field.empty()) fields.push_back(field);
        from = i + 1;
    }
    if (!fields.empty() && fields.back().empty()) fields.pop_back();  // a separator ends the line
}

std::optional<double> number(std::string_view field, bool decimalComma) {
    char plain[40];
    if (field.starts_with('+')) field.remove_prefix(1);
    if (field.empty() || field.size() >= sizeof plain) return std::nullopt;
    for (std::size_t i = 0; i < field.size(); ++i) {
        const char c = field[i];
        if (decimalComma && c == '.') return std::nullopt;
        plain[i] = decimalComma && c == ',' ? '.' : c;
    }
    double value = 0;
    const char* end = plain + field.size();
    const auto [stop, error] = std::from_chars(plain, end, value);
    if (error != std::errc{} || !std::isfinite(value)) return std::nullopt;
    // A unit may stand behind it: "12.02 V".
    return std::all_of(
               stop, end,
               [](char c) { return c == ' ' || (c >= 'A' && c <= 'Z') || (c >= 'a' && c <= 'z'); })
               ? std::optional(value)
               : std::nullopt;
}

/// Seconds of "12:03:04.5", "2026-11-27T12:03:04", "27.11.2026 12:03:04,5"; the day counts only
/// where it is ISO 8601.
std::optional<double> clock(std::string_view field) {
    double day = 0;
    const auto parted = field.find_last_of(" T");
    if (parted != std::string_view::npos) {
        day = dayNumber(field.substr(0, parted)).value_or(0);
        field = field.substr(parted + 1);
    }
    double seconds = 0;
    int parts = 0;
    while (true) {
        const auto colon = std::min(field.find(':'), field.size());
        const auto value =
            number(field.substr(0, colon), field.substr(0, colon).find(',') != field.npos);
        if (!value || *value < 0) return std::nullopt;
        seconds = seconds * 60 + *value;
        ++parts;
        if (colon == field.size()) break;
        field.remove_prefix(colon + 1);
    }
    return parts == 3 ? std::optional(day * 86400 + seconds) : std::nullopt;
}

std::optional<double> timeIn(std::string_view field, bool decimalComma) {
    if (field.find(':') != std::string_view::npos) return clock(field);
    return number(field, decimalComma);
}

bool letterIn(char c) { return (c >= 'a' && c <= 'z') || static_cast<unsigned char>(c) > 127; }

/// A word of a head, whole: "u" in "u [v]", not in "current".
bool says(std::string_view head, std::string_view word) {
    for (auto at = head.find(word); at != head.npos; at = head.find(word, at + 1)) {
        const bool before = at > 0 && letterIn(head[at - 1]);
        const auto behind = at + word.size();
        const bool after = behind < head.size() && letterIn(head[behind]);
        if (!before && !after) return true;
    }
    return false;
}
template <std::size_t N>
bool saysOne(std::string_view head, const std::string_view (&words)[N]) {
    return std::any_of(std::begin(words), std::end(words),
                       [&](std::string_view word) { return says(head, word); });
}

/// Roles and units from what stands over the columns.
void readHeads(LogDialect& dialect) {
    constexpr std::string_view times[] = {"time", "t",  "elapsed", "seconds", "timestamp", "zeit",
                                          "s",    "ms", "clock",   "sec",     "seconde",   "date"};
    constexpr std::string_view volts[] = {"volts", "voltage",  "volt", "u",      "v",
                                          "mv",    "spannung", "vdc",  "tension"};
    constexpr std::string_view amps[] = {"amps", "amperes", "current", "amp", "i",
                                         "a",    "ma",      "strom",   "adc", "courant"};
    for (std::size_t i = 0; i < dialect.columns.size(); ++i) {
        const std::string head = lowered(dialect.columns[i]);
        // A column of current may carry "V" in a name of its own, but a word is a word first.
        if (!dialect.amps && saysOne(head, amps)) {
            dialect.amps = i;
            dialect.ampsUnit = says(head, "ma")                       ? 1e-3
                               : says(head, "µa") || says(head, "ua") ? 1e-6
                                                                      : 1;
        } else if (!dialect.volts && saysOne(head, volts)) {
            dialect.volts = i;
            dialect.voltsUnit = says(head, "mv") ? 1e-3 : 1;
        } else if (!dialect.time && saysOne(head, times)) {
            dialect.time = i;
            dialect.timeUnit = says(head, "ms") ? 1e-3 : says(head, "min") ? 60 : 1;
        }
    }
}

/// Roles of columns whose heads say nothing: a clock, or what only rises, is the time; of two
/// others the larger are the volts. One alone is a current.
void readContents(LogDialect& dialect, const std::vector<std::vector<std::string>>& lines) {
    std::vector<std::pair<double, std::size_t>> open;  // median, column
    for (std::size_t column = 0; column < dialect.columns.size(); ++column) {
        if (column == dialect.time || column == dialect.volts || column == dialect.amps) continue;
        std::vector<double> values;
        bool isClock = true;
        for (const auto& fields : lines) {
            if (column >= fields.size()) continue;
            isClock = isClock && fields[column].find(':') != std::string::npos;
            if (const auto value = timeIn(fields[column], dialect.decimalComma)) {
                values.push_back(*value);
            }
        }
        if (values.size() < lines.size() || values.empty()) continue;
        const bool rises = values.size() > 2 &&
                           std::is_sorted(values.begin(), values.end(), std::less_equal<>()) &&
                           std::adjacent_find(values.begin(), values.end()) == values.end();
        if (!dialect.time && (isClock || rises)) {
            dialect.time = column;
            continue;
        }
        if (isClock) continue;
        for (double& value : values) value = std::abs(value);
        std::nth_element(values.begin(),
                         values.begin() + static_cast<std::ptrdiff_t>(values.size() / 2),
                         values.end());
        open.emplace_back(values[values.size() / 2], column);
    }
    std::sort(open.begin(), open.end());
    if (!dialect.amps && !open.empty()) {
        dialect.amps = open.front().second;
        open.erase(open.begin());
    }
    if (!dialect.volts && !open.empty()) dialect.volts = open.back().second;
}

}  // namespace

Result<LogDialect> guessedDialect(std::string_view log) {
    constexpr std::size_t looked = 200;
    std::vector<std::string_view> lines;
    std::string_view rest = withoutMark(log);
    while (!rest.empty() && lines.size() < looked) lines.push_back(nextLine(rest));
    LogDialect best;
    std::size_t most = 0;
    std::vector<std::string_view> fields;
    for (const char separator : separators) {
        for (const bool decimalComma : {false, true}) {
            if (decimalComma && separator == ',') {
                // Only quotes can keep such a number whole.
                if (log.find('"') == std::string_view::npos) continue;
            }
            // Lines that hold at least two values, or one alone: those with most of one width.
            std::size_t values = 0, first = lines.size();
            for (std::size_t i = 0; i < lines.size(); ++i) {
                split(lines[i], separator, fields);
                std::size_t numbers = 0;
                for (const std::string_view field : fields) {
                    if (timeIn(field, decimalComma)) ++numbers;
                }
                if (numbers == 0 || numbers + 1 < fields.size()) continue;
                first = std::min(first, i);
                values += numbers;
            }
            if (values <= most) continue;
            most = values;
            best = {};
            best.separator = separator;
            best.decimalComma = decimalComma;
            best.head = first;
        }
    }
    if (most == 0) {
        return failure(ErrorCode::Unreadable, "log",
                       text("No columns of numbers are in this file. A meter's log has a line for "
                            "each reading, like %1.",
                            "0.5;12.02;0.181"));
    }
    std::vector<std::vector<std::string>> contents;
    std::size_t width = 0;
    for (std::size_t i = best.head; i < lines.size(); ++i) {
        split(lines[i], best.separator, fields);
        width = std::max(width, fields.size());
        if (fields.size() == width) contents.emplace_back(fields.begin(), fields.end());
    }
    std::erase_if(contents, [&](const auto& each) { return each.size() != width; });
    for (std::size_t i = 0; i < width; ++i) best.columns.push_back(std::to_string(i + 1));
    if (best.head > 0) {
        std::string_view head = lines[best.head - 1];
        if (head.starts_with('#')) head.remove_prefix(1);
        split(head, best.separator, fields);
        if (fields.size() == width) best.columns.assign(fields.begin(), fields.end());
    }
    readHeads(best);
    readContents(best, contents);
    return best;
}

Result<MeterLog> meterLog(std::string_view log, const LogDialect& dialect) {
    if (!dialect.amps) {
        return failure(ErrorCode::Missing, "log",
                       text("Which column holds the current? Press its head."));
    }
    MeterLog made;
    made.dialect = dialect;
    made.timed = dialect.time.has_value();
    std::string_view rest = withoutMark(log);
    for (std::size_t i = 0; i < dialect.head && !rest.empty(); ++i) nextLine(rest);
    std::vector<std::string_view> fields;
    const auto at = [&](std::optional<std::size_t> column) {
        return column && *column < fields.size() ? fields[*column] : std::string_view{};
    };
    std::optional<double> start;
    double day = 0, before = 0;
    while (!rest.empty()) {
        const std::string_view line = nextLine(rest);
        if (line.empty()) continue;
        split(line, dialect.separator, fields);
        const auto amps = number(at(dialect.amps), dialect.decimalComma);
        const auto volts =
            dialect.volts ? number(at(dialect.volts), dialect.decimalComma) : std::optional(0.0);
        const std::string_view when = at(dialect.time);
        const bool clocked = when.find(':') != std::string_view::npos;
        auto time = dialect.time ? timeIn(when, dialect.decimalComma)
                                 : std::optional(static_cast<double>(made.rows.size()));
        if (!amps || !volts || !time) {
            ++made.skipped;
            continue;
        }
        if (clocked) {
            // A clock without a date begins anew at midnight.
            if (*time + day < before - 43200) day += 86400;
            *time += day;
            before = *time;
        } else {
            *time *= dialect.timeUnit;
        }
        if (!start) start = *time;
        if (made.rows.size() == mostLogRows) {
            return failure(ErrorCode::TooMuch, "log",
                           text("The log has more than %1 rows. Cut it down to the session.",
                                std::to_string(mostLogRows)));
        }
        made.rows.push_back({*time - *start, *volts * dialect.voltsUnit, *amps * dialect.ampsUnit});
    }
    if (made.rows.empty()) {
        return failure(ErrorCode::Unreadable, "log",
                       text("Not one line of the log holds values as it was told to read them."));
    }
    return made;
}

}  // namespace glimmet::core
