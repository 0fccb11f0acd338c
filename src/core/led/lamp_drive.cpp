#include "core/led/lamp_drive.h"

#include "core/led/resistor_choice.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace glimmet::core {
namespace {

constexpr int moments = 24;  // of a quarter turn: the others are the same, mirrored

double sineAt(int moment) { return std::sin((moment + 0.5) * std::numbers::pi / 2 / moments); }

double shareOf(Wave wave) { return wave == Wave::OneHalf ? 0.5 : 1; }

Result<LampSolution> at(LampSolver& solver, Volts volts, std::optional<Amperes> limit) {
    auto most = solver.at(volts);
    if (!limit || !most || most->total <= *limit) return most;
    const auto lower = solver.driveForTotal(*limit);
    if (!lower) return tl::unexpected(lower.error());
    return solver.at(*lower);
}

}  // namespace

Volts LampDrive::effective() const {
    if (wave == Wave::Steady) return most();
    double squares = 0;
    for (int moment = 0; moment < moments; ++moment) {
        const double volts = std::max(0.0, crest.value() * sineAt(moment) - drops.value());
        squares += volts * volts;
    }
    return Volts{std::sqrt(squares / moments * shareOf(wave))};
}

Result<LampSolution> over(LampSolver& solver, const LampDrive& drive,
                          std::optional<Amperes> limit) {
    auto crest = at(solver, drive.most(), limit);
    if (drive.wave == Wave::Steady || !crest) return crest;
    LampSolution mean = *crest;
    std::fill(mean.current.begin(), mean.current.end(), Amperes{0});
    for (auto& lamps : mean.through) std::fill(lamps.begin(), lamps.end(), Amperes{0});
    std::fill(mean.resistorPower.begin(), mean.resistorPower.end(), Watts{0});
    mean.total = Amperes{0};
    mean.commonPower = Watts{0};
    const double share = shareOf(drive.wave) / moments;
    // From the crest down, each from where the one before stood.
    for (int moment = moments - 1; moment >= 0; --moment) {
        const Volts volts = drive.crest * sineAt(moment) - drive.drops;
        if (!(volts > Volts{0})) break;
        const auto here = at(solver, volts, limit);
        if (!here) return here;
        for (std::size_t k = 0; k < mean.current.size(); ++k) {
            mean.current[k] += here->current[k] * share;
            for (std::size_t i = 0; i < mean.through[k].size(); ++i) {
                mean.through[k][i] += here->through[k][i] * share;
            }
            mean.resistorPower[k] += here->resistorPower[k] * share;
        }
        mean.total += here->total * share;
        mean.commonPower += here->commonPower * share;
    }
    return mean;
}

Result<Ohms> resistorOn(LampString lamps, const LampDrive& drive, Amperes target) {
    const Ohms steady = idealResistor(lamps, drive.most(), Ohms{0}, 1, target);
    if (drive.wave == Wave::Steady || !(steady > Ohms{0})) return steady;
    // The mean falls nearly as 1/R: a few steps settle it.
    Ohms resistance = steady * (shareOf(drive.wave) * 2 / std::numbers::pi);
    for (int step = 0; step < 12; ++step) {
        lamps.resistor = resistance;
        auto solver = LampSolver::of({Ohms{0}, {lamps}});
        if (!solver) return tl::unexpected(solver.error());
        const auto mean = over(*solver, drive);
        if (!mean) return tl::unexpected(mean.error());
        const double ratio = mean->total / target;
        resistance *= std::clamp(ratio, 0.2, 5.0);
        if (std::abs(ratio - 1) < 1e-7) break;
        if (resistance < Ohms{1e-3}) return Ohms{0};
    }
    return resistance;
}

}  // namespace glimmet::core
