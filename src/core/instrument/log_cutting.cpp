#include "core/instrument/log_cutting.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace glimmet::core {
namespace {

constexpr double practical = 0.08;  // of the larger level: what is called a step at all
constexpr double significant = 6;   // times the scatter of the difference

/// Sums of values, squares and moments up to each row, so that any stretch is told at once.
struct Sums {
    std::vector<double> first, second, moment;
    template <class Value>
    Sums(std::span<const LogRow> rows, Value value)
        : first(rows.size() + 1), second(rows.size() + 1), moment(rows.size() + 1) {
        for (std::size_t i = 0; i < rows.size(); ++i) {
            const double x = value(i);
            first[i + 1] = first[i] + x;
            second[i + 1] = second[i] + x * x;
            moment[i + 1] = moment[i] + x * static_cast<double>(i);
        }
    }
    double mean(std::size_t from, std::size_t to) const {
        return (first[to] - first[from]) / static_cast<double>(to - from);
    }
    /// Σ(x − mean)²
    double spread(std::size_t from, std::size_t to) const {
        const double sum = first[to] - first[from];
        return std::max(second[to] - second[from] - sum * sum / static_cast<double>(to - from),
                        0.0);
    }
    /// Of what the line of least squares leaves over.
    double offLine(std::size_t from, std::size_t to) const {
        const double n = static_cast<double>(to - from);
        if (n < 3) return 0;
        const double middle = static_cast<double>(from) + (n - 1) / 2;
        const double tilt = moment[to] - moment[from] - middle * (first[to] - first[from]);
        return std::max(spread(from, to) - tilt * tilt * 12 / (n * (n * n - 1)), 0.0);
    }
};

/// A spike of one row, or of two where there are many, is no step.
std::vector<double> withoutSpikes(const std::vector<double>& values, std::size_t reach) {
    std::vector<double> made(values.size());
    std::array<double, 5> window{};
    for (std::size_t i = 0; i < values.size(); ++i) {
        const std::size_t from = i >= reach ? i - reach : 0;
        const std::size_t to = std::min(i + reach + 1, values.size());
        std::copy(values.begin() + static_cast<std::ptrdiff_t>(from),
                  values.begin() + static_cast<std::ptrdiff_t>(to), window.begin());
        const std::size_t middle = (to - from) / 2;
        std::nth_element(window.begin(), window.begin() + static_cast<std::ptrdiff_t>(middle),
                         window.begin() + static_cast<std::ptrdiff_t>(to - from));
        made[i] = window[middle];
    }
    return made;
}

std::vector<double> column(std::span<const LogRow> rows, double LogRow::*value) {
    std::vector<double> made(rows.size());
    for (std::size_t i = 0; i < rows.size(); ++i) made[i] = std::abs(rows[i].*value);
    return made;
}

bool differ(double a, double b, double floor) {
    return std::abs(a - b) > std::max(practical * std::max(a, b), floor);
}

/// How much a step at a row stands out, in steps that count as one; 0: none.
double stepAt(const Sums& sums, std::size_t at, std::size_t reach, double floor) {
    const double left = sums.mean(at - reach, at), right = sums.mean(at, at + reach);
    if (!differ(left, right, floor)) return 0;
    const double n = static_cast<double>(reach);
    const double variance =
        (sums.spread(at - reach, at) + sums.spread(at, at + reach)) / std::max(n - 1, 1.0) / n;
    const double t = std::abs(right - left) / std::sqrt(variance + floor * floor / n / 36);
    return t > significant ? t : 0;
}

/// Rows in half a second, within reason.
std::size_t reachOf(std::span<const LogRow> rows) {
    const double period =
        rows.size() > 1 ? rows.back().time / static_cast<double>(rows.size() - 1) : 1;
    const double wanted = period > 0 ? 0.5 / period : 8;
    const auto most = std::clamp<std::size_t>(rows.size() / 8, 3, 50);
    return std::clamp<std::size_t>(static_cast<std::size_t>(std::min(wanted, 50.0)), 3, most);
}

}  // namespace

LogPart partOf(std::span<const LogRow> rows, std::size_t from, std::size_t to,
               std::optional<MotorCondition> condition) {
    LogPart part;
    part.from = from;
    part.to = to;
    part.condition = condition;
    // A stalled motor heats up: its first moments are what the decoder meets.
    const std::size_t counted = condition == MotorCondition::Stalled
                                    ? std::max<std::size_t>((to - from) / 4, 1)
                                    : to - from;
    const double n = static_cast<double>(counted);
    double volts = 0, amps = 0, squares = 0;
    for (std::size_t i = from; i < from + counted; ++i) {
        volts += std::abs(rows[i].volts) / n;
        amps += std::abs(rows[i].amps) / n;
    }
    for (std::size_t i = from; i < from + counted; ++i) {
        squares += std::pow(std::abs(rows[i].amps) - amps, 2);
    }
    part.volts = Volts{volts};
    part.amps = Amperes{amps};
    part.scatter = Amperes{counted > 1 ? std::sqrt(squares / (n - 1)) : 0};
    const std::size_t middle = from + (to - from) / 2;
    const auto changes = [&](double LogRow::*value, double noise) {
        double before = 0, behind = 0;
        for (std::size_t i = from; i < middle; ++i) before += std::abs(rows[i].*value);
        for (std::size_t i = middle; i < to; ++i) behind += std::abs(rows[i].*value);
        before /= static_cast<double>(std::max<std::size_t>(middle - from, 1));
        behind /= static_cast<double>(to - middle);
        const double least = std::max(0.2 * std::max(before, behind), noise);
        return to - from > 3 && std::abs(before - behind) > least;
    };
    // What a meter shows of nothing is never steady: below 2 mA and 50 mV it does not count.
    part.steady = !changes(&LogRow::amps, 0.002) && !changes(&LogRow::volts, 0.05);
    return part;
}

void guessConditions(std::vector<LogPart>& parts, std::optional<Ohms> path) {
    double most = 0;
    for (const LogPart& part : parts) most = std::max(most, part.amps.value());
    // Current for its volts; without volts the current itself.
    const bool withVolts = std::any_of(parts.begin(), parts.end(),
                                       [](const LogPart& p) { return p.volts > Volts{0.3}; });
    std::vector<LogPart*> running;
    for (LogPart& part : parts) {
        part.condition.reset();
        if (part.to - part.from < 2 || !part.steady || part.amps.value() < 0.03 * most ||
            (withVolts && part.volts < Volts{0.3})) {
            continue;
        }
        running.push_back(&part);
    }
    const auto pull = [&](const LogPart* part) {
        return part->amps.value() / (withVolts ? part->volts.value() : 1);
    };
    std::sort(running.begin(), running.end(),
              [&](const LogPart* a, const LogPart* b) { return pull(a) < pull(b); });
    std::vector<std::vector<LogPart*>> levels;
    for (LogPart* part : running) {
        if (levels.empty() || pull(part) > pull(levels.back().front()) * 1.15) levels.push_back({});
        levels.back().push_back(part);
    }
    const auto name = [&](std::size_t level, MotorCondition condition) {
        for (LogPart* part : levels[level]) part->condition = condition;
    };
    if (levels.empty()) return;
    std::size_t left = levels.size();
    const LogPart* top = levels.back().front();
    bool stalled = false;
    if (path && withVolts) {
        const double ratio = top->volts / top->amps / *path;
        stalled = ratio > 0.6 && ratio < 1.5;
    } else if (left >= 4) {
        stalled = true;
    } else if (left >= 2) {
        stalled = pull(top) > pull(levels[left - 2].front()) * (left == 2 ? 6 : 2.5);
    }
    if (stalled) name(--left, MotorCondition::Stalled);
    for (std::size_t level = 0; level < left; ++level) {
        const bool last = level + 1 == left;
        const bool slips = last && level > 0 &&
                           (level > 1 || pull(levels[level].front()) > pull(levels[0].front()) * 2);
        name(level, level == 0 ? MotorCondition::Light
                    : slips    ? MotorCondition::Slipping
                               : MotorCondition::Hauling);
    }
}

namespace {

/// Both columns of a log, and below what nothing is told apart from nothing.
struct Columns {
    Sums amps, volts;
    double ampsFloor, voltsFloor;
    std::size_t reach;

    double step(std::size_t at) const {
        return std::max(stepAt(amps, at, reach, ampsFloor), stepAt(volts, at, reach, voltsFloor));
    }
    /// Of both, each in its own floors; `of`: of one of the sums.
    template <class Of>
    double misfit(Of of) const {
        return of(amps) / (ampsFloor * ampsFloor) + of(volts) / (voltsFloor * voltsFloor);
    }
};

/// Where a step stands out most within its reach; with the first row and the end.
std::vector<std::size_t> edgesOf(const Columns& columns, std::size_t rows) {
    std::vector<std::size_t> edges{0};
    const std::size_t reach = columns.reach;
    std::size_t best = 0;
    double most = 0;
    for (std::size_t at = reach; rows >= 2 * reach && at + reach <= rows; ++at) {
        const double step = columns.step(at);
        if (step > most) {
            most = step;
            best = at;
        }
        if (most > 0 && (at >= best + reach || at + reach == rows)) {
            edges.push_back(best);
            most = 0;
        }
    }
    edges.push_back(rows);
    return edges;
}

/// Each edge to where two levels between its neighbours fit best.
void moveToBest(std::vector<std::size_t>& edges, const Columns& columns) {
    const std::size_t reach = columns.reach;
    for (std::size_t k = 1; k + 1 < edges.size(); ++k) {
        const std::size_t from = std::max(edges[k - 1], edges[k] - std::min(edges[k], 4 * reach));
        const std::size_t to = std::min(edges[k + 1], edges[k] + 4 * reach);
        double least = INFINITY;
        std::size_t best = edges[k];
        for (std::size_t at = std::max(from + 1, edges[k] - std::min(edges[k], reach));
             at < std::min(to, edges[k] + reach + 1); ++at) {
            const double misfit = columns.misfit(
                [&](const Sums& sums) { return sums.spread(from, at) + sums.spread(at, to); });
            if (misfit < least) {
                least = misfit;
                best = at;
            }
        }
        edges[k] = best;
    }
}

/// Whether what lies on the two sides of an edge does not differ, or no more than it scatters.
bool same(const Sums& sums, std::size_t from, std::size_t edge, std::size_t to, double floor) {
    const double a = sums.mean(from, edge), b = sums.mean(edge, to);
    const double m = static_cast<double>(edge - from), n = static_cast<double>(to - edge);
    const double variance = (sums.spread(from, edge) + sums.spread(edge, to)) /
                            std::max(m + n - 2, 1.0) * (1 / m + 1 / n);
    return !differ(a, b, floor) || std::abs(a - b) < 5 * std::sqrt(variance);
}

/// Without edges between parts that are the same, as they were read, not as they were smoothed.
std::vector<std::size_t> withoutNeedless(const std::vector<std::size_t>& edges,
                                         std::span<const LogRow> rows, const Columns& columns) {
    const Sums amps(rows, [&](std::size_t i) { return std::abs(rows[i].amps); });
    const Sums volts(rows, [&](std::size_t i) { return std::abs(rows[i].volts); });
    std::vector<std::size_t> kept{0};
    for (std::size_t k = 1; k < edges.size(); ++k) {
        while (kept.size() >= 2) {
            const std::size_t from = kept[kept.size() - 2], edge = kept.back(), to = edges[k];
            if (!same(amps, from, edge, to, columns.ampsFloor) ||
                !same(volts, from, edge, to, columns.voltsFloor))
                break;
            kept.pop_back();
        }
        kept.push_back(edges[k]);
    }
    return kept;
}

/// Where a supply was turned up slowly no step stands out: a level ends where a slope begins.
void cutSlopes(std::vector<LogPart>& parts, std::span<const LogRow> rows, const Columns& columns,
               std::size_t from, std::size_t to, int deeper) {
    const std::size_t reach = columns.reach;
    const LogPart whole = partOf(rows, from, to, std::nullopt);
    if (whole.steady || deeper == 0 || to - from < 4 * reach) {
        parts.push_back(whole);
        return;
    }
    double least = columns.misfit([&](const Sums& sums) { return sums.offLine(from, to); }) / 2;
    std::size_t best = from;
    for (std::size_t at = from + reach; at + reach <= to; ++at) {
        const double flatFirst = columns.misfit(
            [&](const Sums& sums) { return sums.spread(from, at) + sums.offLine(at, to); });
        const double flatLast = columns.misfit(
            [&](const Sums& sums) { return sums.offLine(from, at) + sums.spread(at, to); });
        if (std::min(flatFirst, flatLast) < least) {
            least = std::min(flatFirst, flatLast);
            best = at;
        }
    }
    if (best == from) {
        parts.push_back(whole);
        return;
    }
    cutSlopes(parts, rows, columns, from, best, deeper - 1);
    cutSlopes(parts, rows, columns, best, to, deeper - 1);
}

}  // namespace

std::vector<LogPart> cutLog(std::span<const LogRow> rows, std::optional<Ohms> path) {
    std::vector<LogPart> parts;
    if (rows.empty()) return parts;
    const std::size_t reach = reachOf(rows);
    const std::size_t smoothed = reach >= 4 ? 2 : 1;
    const std::vector<double> amps = withoutSpikes(column(rows, &LogRow::amps), smoothed);
    const std::vector<double> volts = withoutSpikes(column(rows, &LogRow::volts), smoothed);
    // Below a fiftieth of the largest nothing is told apart from nothing.
    const Columns columns{Sums(rows, [&](std::size_t i) { return amps[i]; }),
                          Sums(rows, [&](std::size_t i) { return volts[i]; }),
                          std::max(*std::max_element(amps.begin(), amps.end()) * 0.02, 1e-4),
                          std::max(*std::max_element(volts.begin(), volts.end()) * 0.02, 1e-2),
                          reach};
    std::vector<std::size_t> edges = edgesOf(columns, rows.size());
    moveToBest(edges, columns);
    edges = withoutNeedless(edges, rows, columns);
    for (std::size_t k = 0; k + 1 < edges.size(); ++k)
        cutSlopes(parts, rows, columns, edges[k], edges[k + 1], 4);
    guessConditions(parts, path);
    for (LogPart& each : parts) each = partOf(rows, each.from, each.to, each.condition);
    return parts;
}

}  // namespace glimmet::core
