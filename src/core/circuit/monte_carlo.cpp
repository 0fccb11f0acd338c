#include "core/circuit/monte_carlo.h"

#include "core/circuit/settling.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <mutex>
#include <thread>

namespace glimmet::core::circuit {
namespace {

constexpr std::size_t chunk = 128;  // draws that a thread takes at a time
constexpr std::size_t mostDraws = 10'000'000;

/// SplitMix64 (G. Steele, D. Lea, C. Flood, OOPSLA 2014): a stream of its own for every draw, so
/// that it does not matter which thread takes it.
class Chance {
public:
    Chance(std::uint64_t seed, std::uint64_t draw)
        : m_state(mixed(seed) ^ mixed(draw + 0x632be59bd9b4e019ULL)) {}

    double even() { return static_cast<double>(next() >> 11U) * 0x1p-52 - 1; }  // −1 … 1
    /// Triangular over −1 … 1 with its peak at 0: a sum of two even ones.
    double peaked() { return (even() + even()) / 2; }

private:
    static std::uint64_t mixed(std::uint64_t z) {
        z = (z ^ (z >> 30U)) * 0xbf58476d1ce4e5b9ULL;
        z = (z ^ (z >> 27U)) * 0x94d049bb133111ebULL;
        return z ^ (z >> 31U);
    }
    std::uint64_t next() { return mixed(m_state += 0x9e3779b97f4a7c15ULL); }
    std::uint64_t m_state;
};

}  // namespace

double Sampled::quantile(std::size_t which, double share) const {
    const std::vector<double>& all = diode[which];
    if (all.empty()) return 0;
    const double at = std::clamp(share, 0.0, 1.0) * static_cast<double>(all.size() - 1);
    const auto below = static_cast<std::size_t>(at);
    const std::size_t above = std::min(below + 1, all.size() - 1);
    return all[below] + (at - static_cast<double>(below)) * (all[above] - all[below]);
}

Result<Sampled> monteCarlo(const Circuit& circuit, const Spread& spread, const Draws& draws,
                           const std::function<void(std::size_t)>& progress, std::stop_token stop) {
    if (draws.count < 1 || draws.count > mostDraws) {
        return failure(ErrorCode::OutOfRange, "count",
                       text("Between one and ten million draws can be made."));
    }
    const Circuit typical = separated(circuit);
    auto ready = solverFor(typical);
    if (!ready) return tl::unexpected(ready.error());
    if (!ready->settleFromAnywhere()) return tl::unexpected(didNotSettle(*ready));

    const std::size_t diodes = circuit.diodes.size();
    std::vector<double> currents(draws.count * diodes);  // draw by draw
    std::vector<char> good(draws.count, 0);
    std::atomic<std::size_t> taken{0};
    std::atomic<std::size_t> done{0};
    std::mutex telling;
    const auto work = [&] {
        Solver solver = *ready;
        Circuit varied = typical;
        Places places{std::vector<double>(circuit.voltageSources.size()),
                      std::vector<double>(circuit.resistors.size()), std::vector<double>(diodes)};
        while (!stop.stop_requested()) {
            const std::size_t first = taken.fetch_add(chunk);
            if (first >= draws.count) return;
            const std::size_t last = std::min(first + chunk, draws.count);
            for (std::size_t draw = first; draw < last; ++draw) {
                Chance chance(draws.seed, draw);
                for (double& each : places.supply) each = chance.even();
                for (double& each : places.resistance) each = chance.even();
                for (double& each : places.forward) each = chance.peaked();
                place(typical, spread, places, varied);
                solver.update(varied);
                // From the same beginning every time: what comes out must not depend on the draw
                // before.
                solver.forget();
                if (!solver.settleFromAnywhere()) continue;
                good[draw] = 1;
                for (std::size_t k = 0; k < diodes; ++k)
                    currents[draw * diodes + k] = solver.diodeCurrent(k);
            }
            done += last - first;
            if (progress) {
                const std::lock_guard lock(telling);
                progress(done);
            }
        }
    };
    const unsigned threads =
        draws.threads > 0 ? draws.threads : std::max(1U, std::thread::hardware_concurrency());
    {
        std::vector<std::jthread> others;
        for (unsigned k = 1; k < threads; ++k) others.emplace_back(work);
        work();
    }
    Sampled sampled;
    sampled.drawn = done;
    sampled.diode.resize(diodes);
    std::size_t settled = 0;
    for (std::size_t draw = 0; draw < draws.count; ++draw) {
        if (!good[draw]) continue;
        ++settled;
        for (std::size_t k = 0; k < diodes; ++k)
            sampled.diode[k].push_back(currents[draw * diodes + k]);
    }
    sampled.unsettled = sampled.drawn - settled;
    for (std::vector<double>& all : sampled.diode) std::sort(all.begin(), all.end());
    return sampled;
}

}  // namespace glimmet::core::circuit
