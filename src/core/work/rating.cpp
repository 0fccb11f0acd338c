#include "core/work/rating.h"

#include "core/quantity/format.h"
#include "core/work/supply.h"

#include <algorithm>

namespace glimmet::core {
namespace {

UsualCurrents usualOf(MotorKind kind) {
    switch (kind) {
        case MotorKind::Coreless:
            return {Amperes{0.1}, Amperes{0.2}, Amperes{0.4}};
        case MotorKind::OpenFrame:
            return {Amperes{1.0}, Amperes{1.5}, Amperes{2.5}};
        case MotorKind::Can:
            break;
    }
    return {Amperes{0.25}, Amperes{0.5}, Amperes{1.0}};
}

State against(Amperes worst, Amperes limit, double margin) {
    return stateAgainst(worst.value(), limit.value(), 1.0 - margin);
}

}  // namespace

std::optional<UsualCurrents> usualCurrents(const Job& job) {
    if (job.scale.ratio < 60 || job.scale.ratio > 170) return {};
    UsualCurrents sum;
    for (const MotorAt& at : motorsOf(job)) {
        const UsualCurrents one = usualOf(at.motor->kind);
        sum.running += one.running;
        sum.slip += one.slip;
        sum.stall += one.stall;
    }
    return sum;
}

const RatedDemand& Rating::deciding() const {
    return *std::max_element(demands.begin(), demands.end(),
                             [](const RatedDemand& a, const RatedDemand& b) {
                                 if (a.state != b.state) return a.state < b.state;
                                 const auto share = [](const RatedDemand& d) {
                                     return d.worst.value() / d.limit.value();
                                 };
                                 return share(a) < share(b);
                             });
}

Rating rated(const Reckoned& facts, const MotorEvidence& drive, const MotorRating& rating) {
    using From = RatedDemand::From;
    using What = MotorDemand::What;
    const House& house = facts.house;
    const MotorSupply supply = motorSupply(facts.job, house);
    MotorSupply top = supply;
    top.track *= 1 + house.supplySpread;
    const auto path = pathResistance(drive.readings, drive.winding);
    const auto slip = largestReading(drive.readings, MotorCondition::Slipping);
    const auto light = largestReading(drive.readings, MotorCondition::Light);
    const auto hauling = largestReading(drive.readings, MotorCondition::Hauling);
    auto usual = usualCurrents(facts.job);
    // What takes more than its kind does is not of the usual ones; what agrees with it takes
    // nothing away.
    if (usual) {
        const Amperes running =
            std::max({light.value_or(Amperes{0}), hauling.value_or(Amperes{0}), drive.atLeast});
        if (running > usual->running || slip.value_or(Amperes{0}) > usual->slip) usual.reset();
    }

    const auto demand = [&](What what, From from, Amperes typical, Amperes worst, bool peak) {
        const Amperes limit = peak ? rating.peak : rating.continuous;
        return RatedDemand{
            what, from, typical, worst, limit, peak, against(worst, limit, house.closeMargin)};
    };
    const auto missing = [&](What what, bool peak) {
        return RatedDemand{what, From::Missing, {}, {}, peak ? rating.peak : rating.continuous,
                           peak, State::Ask};
    };
    const auto stallDemand = [&](bool peak) {
        if (path) {
            return demand(What::Stall, From::Reading, stallCurrent(supply, *path),
                          stallCurrent(top, *path), peak);
        }
        if (!usual) return missing(What::Stall, peak);
        RatedDemand made = demand(What::Stall, From::Kind, usual->stall, usual->stall, peak);
        // A usual range proves a fit, it condemns nothing: then the motor is to be read.
        return made.state == State::Fine ? made : missing(What::Stall, peak);
    };
    const auto slipDemand = [&] {
        if (slip) return demand(What::Slip, From::Reading, *slip, *slip, false);
        if (path) {
            const Amperes most = stallCurrent(top, *path);
            RatedDemand made = demand(What::Slip, From::Bound, most, most, false);
            return made.state == State::Over ? missing(What::Slip, false) : made;
        }
        if (!usual) return missing(What::Slip, false);
        RatedDemand made = demand(What::Slip, From::Kind, usual->slip, usual->slip, false);
        return made.state == State::Fine ? made : missing(What::Slip, false);
    };
    const auto runningDemand = [&](double factor) {
        const Amperes most = std::max(light.value_or(Amperes{0}), hauling.value_or(Amperes{0}));
        if (light || hauling) {
            return demand(What::Running, From::Reading, most * factor, most * factor, false);
        }
        if (slip) {  // running never takes more than slipping does
            RatedDemand made =
                demand(What::Running, From::Bound, *slip * factor, *slip * factor, false);
            return made.state == State::Over ? missing(What::Running, false) : made;
        }
        if (!usual) return missing(What::Running, false);
        RatedDemand made = demand(What::Running, From::Kind, usual->running * factor,
                                  usual->running * factor, false);
        return made.state == State::Fine ? made : missing(What::Running, false);
    };

    Rating made;
    switch (house.rule) {
        case RatingRule::Strict:
            made.demands = {stallDemand(false)};
            break;
        case RatingRule::Slip:
            made.demands = {slipDemand(), stallDemand(true)};
            break;
        case RatingRule::Running:
            made.demands = {runningDemand(runningMargin)};
            break;
    }
    // What it takes for long must be carried for long, whatever the rule.
    if ((light || hauling) && house.rule != RatingRule::Running) {
        RatedDemand sustained = runningDemand(1.0);
        if (sustained.state != State::Fine) made.demands.push_back(sustained);
    }
    if (drive.atLeast > rating.continuous) {
        made.demands.push_back(
            demand(What::Running, From::AtLeast, drive.atLeast, drive.atLeast, false));
    }
    for (const RatedDemand& each : made.demands) made.state = worse(made.state, each.state);
    return made;
}

}  // namespace glimmet::core
