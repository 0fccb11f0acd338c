#include "core/analysis/rating.h"

#include "core/analysis/supply.h"
#include "core/quantity/format.h"

#include <algorithm>

namespace glimmet::core {
namespace {

/// A range of running and one of stall; slipping lies at half the stall.
UsualCurrents ranges(double leastRunning, double running, double leastStall, double stall) {
    return {Amperes{running},      Amperes{stall / 2},      Amperes{stall},
            Amperes{leastRunning}, Amperes{leastStall / 2}, Amperes{leastStall}};
}
UsualCurrents usualOf(MotorKind kind, double ratio) {
    // Scales by their ratio: S and OO go with H0, 1:43 to 1:50 with 0.
    const bool large = ratio < 40, gauge0 = !large && ratio<58, n = ratio> 140, z = ratio > 190;
    switch (kind) {
        case MotorKind::Coreless:
            return large    ? ranges(0.1, 0.6, 0.4, 2.0)
                   : gauge0 ? ranges(0.04, 0.2, 0.2, 0.8)
                            : ranges(0.02, 0.1, 0.1, 0.4);
        case MotorKind::OpenFrame: {
            UsualCurrents old = large    ? ranges(0.5, 3.0, 2.0, 6.0)
                                : gauge0 ? ranges(0.5, 1.5, 1.5, 4.0)
                                         : ranges(0.4, 1.0, 1.0, 2.5);
            if (!large && !gauge0) old.slip = Amperes{1.5};
            return old;
        }
        case MotorKind::Can:
            break;
    }
    return z        ? ranges(0.02, 0.08, 0.15, 0.3)
           : n      ? ranges(0.05, 0.15, 0.2, 0.5)
           : large  ? ranges(0.5, 1.5, 2.0, 5.0)
           : gauge0 ? ranges(0.2, 0.5, 1.0, 2.0)
                    : ranges(0.05, 0.25, 0.4, 1.0);
}

State against(Amperes worst, Amperes limit, double margin) {
    return stateAgainst(worst.value(), limit.value(), 1.0 - margin);
}

}  // namespace

std::optional<UsualCurrents> usualCurrents(const Job& job) {
    const std::vector<MotorAt> motors = motorsOf(job);
    if (motors.empty()) return {};
    UsualCurrents sum;
    for (const MotorAt& at : motors) {
        const UsualCurrents one = usualOf(at.motor->kind, job.scale.ratio);
        sum.running += one.running;
        sum.slip += one.slip;
        sum.stall += one.stall;
        sum.leastRunning += one.leastRunning;
        sum.leastSlip += one.leastSlip;
        sum.leastStall += one.leastStall;
    }
    return sum;
}

std::optional<UsualCurrents> usualCurrents(const Job& job, const MotorEvidence& drive) {
    auto usual = usualCurrents(job);
    if (!usual) return usual;
    const auto read = [&](MotorCondition condition) {
        return largestReading(drive.readings, condition).value_or(Amperes{0});
    };
    const Amperes running =
        std::max({read(MotorCondition::Light), read(MotorCondition::Hauling), drive.atLeast});
    if (running > usual->running || read(MotorCondition::Slipping) > usual->slip) usual.reset();
    return usual;
}

State Rating::sustained() const {
    State worst = State::Fine;
    for (const RatedDemand& each : demands) {
        const bool read =
            each.from == RatedDemand::From::Reading || each.from == RatedDemand::From::AtLeast;
        if (read && each.what == MotorDemand::What::Running) worst = worse(worst, each.state);
    }
    return worst;
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

Rating rated(const JobAnalysis& facts, const MotorEvidence& drive, const MotorRating& rating) {
    using From = RatedDemand::From;
    using What = MotorDemand::What;
    const WorkshopRules& house = facts.house;
    const MotorSupply supply = motorSupply(facts.job, house);
    MotorSupply top = supply;
    top.track *= 1 + house.supplySpread;
    const auto path = pathResistance(drive.readings, drive.winding);
    const auto slip = largestReading(drive.readings, MotorCondition::Slipping);
    const auto light = largestReading(drive.readings, MotorCondition::Light);
    const auto hauling = largestReading(drive.readings, MotorCondition::Hauling);
    const auto usual = usualCurrents(facts.job, drive);

    const auto demand = [&](What what, From from, Amperes typical, Amperes worst, bool peak) {
        const Amperes limit = peak ? rating.peak : rating.continuous;
        return RatedDemand{
            what, from, typical, worst, limit, peak, against(worst, limit, house.closeMargin)};
    };
    const auto missing = [&](What what, bool peak) {
        return RatedDemand{what, From::Missing, {}, {}, peak ? rating.peak : rating.continuous,
                           peak, State::Ask};
    };
    // The whole usual range fits, or none of it does; between the two the motor is to be read.
    const auto ofKind = [&](What what, Amperes least, Amperes most, bool peak) {
        RatedDemand made = demand(what, From::Kind, most, most, peak);
        if (made.state == State::Fine) return made;
        if (against(least, made.limit, house.closeMargin) == State::Over)
            return demand(what, From::Kind, least, least, peak);
        return missing(what, peak);
    };
    const auto stallDemand = [&](bool peak) {
        if (path) {
            return demand(What::Stall, From::Reading, stallCurrent(supply, *path),
                          stallCurrent(top, *path), peak);
        }
        if (drive.windingOfRead) {
            const Amperes some = stallCurrent(supply, *drive.windingOfRead);
            const RatedDemand made = demand(What::Stall, From::Some, some, some, peak);
            if (made.state == State::Over) return made;
        }
        if (!usual) return missing(What::Stall, peak);
        return ofKind(What::Stall, usual->leastStall, usual->stall, peak);
    };
    const auto slipDemand = [&] {
        if (slip) return demand(What::Slip, From::Reading, *slip, *slip, false);
        if (drive.slipOfRead > rating.continuous)
            return demand(What::Slip, From::Some, drive.slipOfRead, drive.slipOfRead, false);
        if (path) {
            const Amperes most = stallCurrent(top, *path);
            RatedDemand made = demand(What::Slip, From::Bound, most, most, false);
            return made.state == State::Over ? missing(What::Slip, false) : made;
        }
        if (!usual) return missing(What::Slip, false);
        return ofKind(What::Slip, usual->leastSlip, usual->slip, false);
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
        return ofKind(What::Running, usual->leastRunning * factor, usual->running * factor, false);
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
    // It took more than that when it was stopped, so at the limit itself it is over already.
    if (drive.atLeast > Amperes{0}) {
        const Amperes bound =
            drive.atLeast * (house.rule == RatingRule::Running ? runningMargin : 1.0);
        RatedDemand least = demand(What::Running, From::AtLeast, bound, bound, false);
        if (bound >= least.limit) least.state = State::Over;
        if (least.state != State::Fine) made.demands.push_back(least);
    }
    for (const RatedDemand& each : made.demands) made.state = worse(made.state, each.state);
    return made;
}

Together together(const JobAnalysis& facts, const MotorEvidence& drive, const Decoder& decoder) {
    using From = RatedDemand::From;
    const WorkshopRules& house = facts.house;
    Together made{
        State::Fine, From::Reading, {}, facts.outputsOn(), decoder.sound ? soundUsual : Amperes{0}};
    const auto stateAt = [&](Amperes motor) {
        return against(motor + made.outputs + made.sound, decoder.overall, house.closeMargin);
    };
    const auto read = [&](MotorCondition condition) {
        return largestReading(drive.readings, condition).value_or(Amperes{0});
    };
    const Amperes slip = read(MotorCondition::Slipping);
    const Amperes running =
        std::max({read(MotorCondition::Light), read(MotorCondition::Hauling), drive.atLeast});
    const bool broken = drive.atLeast >= running;  // it took more than that
    // Who judges by running does not slip.
    if (house.rule == RatingRule::Running && running > Amperes{0}) {
        made.from = broken ? From::AtLeast : From::Reading;
        made.motor = running * runningMargin;
        made.state = stateAt(made.motor);
        if (broken && made.state != State::Over) made.state = State::Ask;
        return made;
    }
    // What lasts counts whatever slipping takes.
    if (slip >= running && slip > Amperes{0}) {
        made.motor = slip;
        made.state = stateAt(slip);
        return made;
    }
    if (slip > Amperes{0} || stateAt(running) == State::Over) {
        made.from = broken ? From::AtLeast : From::Reading;
        made.motor = running;
        made.state = stateAt(running);
        if (broken && made.state != State::Over) made.state = State::Ask;
        return made;
    }
    // Slipping never takes more than a stall, nor usually more than its kind does.
    if (const auto path = pathResistance(drive.readings, drive.winding)) {
        MotorSupply top = motorSupply(facts.job, house);
        top.track *= 1 + house.supplySpread;
        made.motor = stallCurrent(top, *path);
        made.from = From::Bound;
        if (running >= made.motor) {  // one of the two readings is wrong
            made.motor = running;
            made.from = broken ? From::AtLeast : From::Reading;
            made.state = State::Ask;
            return made;
        }
    } else if (const auto usual = usualCurrents(facts.job, drive)) {
        made.motor = usual->slip;
        made.from = From::Kind;
    } else {
        made.motor = running;
        made.from = From::Missing;
        made.state = motorsOf(facts.job).empty() ? stateAt(running) : State::Ask;
        return made;
    }
    made.state = stateAt(made.motor);
    if (made.state == State::Over || (made.state == State::Close && made.from == From::Kind))
        made.state = State::Ask;
    return made;
}

}  // namespace glimmet::core
