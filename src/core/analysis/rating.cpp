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

namespace {

/// What is asked of a decoder's ratings, each of it once.
struct Demands {
    using From = RatedDemand::From;
    using What = MotorDemand::What;

    const MotorEvidence& drive;
    const MotorRating& rating;
    double margin;
    MotorSupply supply, top;  ///< typical; at the top of its range
    std::optional<UsualCurrents> usual;

    Demands(const JobAnalysis& facts, const MotorEvidence& evidence, const MotorRating& given)
        : drive(evidence),
          rating(given),
          margin(facts.house.closeMargin),
          supply(motorSupply(facts.job, facts.house)),
          top(supply),
          usual(usualCurrents(facts.job, evidence)) {
        top.track *= 1 + facts.house.supplySpread;
    }
    [[nodiscard]] std::optional<Amperes> read(MotorCondition condition) const {
        return largestReading(drive.readings, condition);
    }
    [[nodiscard]] std::optional<Ohms> path() const {
        return pathResistance(drive.readings, drive.winding);
    }
    [[nodiscard]] RatedDemand demand(What what, From from, Amperes typical, Amperes worst,
                                     bool peak) const {
        const Amperes limit = peak ? rating.peak : rating.continuous;
        return {what, from, typical, worst, limit, peak, against(worst, limit, margin)};
    }
    [[nodiscard]] RatedDemand missing(What what, bool peak) const {
        return {what, From::Missing, {}, {}, peak ? rating.peak : rating.continuous,
                peak, State::Ask};
    }
    /// The whole usual range fits, or none of it does; between the two the motor is to be read.
    [[nodiscard]] RatedDemand ofKind(What what, Amperes least, Amperes most, bool peak) const {
        RatedDemand made = demand(what, From::Kind, most, most, peak);
        if (made.state == State::Fine) return made;
        if (against(least, made.limit, margin) == State::Over)
            return demand(what, From::Kind, least, least, peak);
        return missing(what, peak);
    }
    [[nodiscard]] RatedDemand stall(bool peak) const {
        if (const auto ohms = path()) {
            return demand(What::Stall, From::Reading, stallCurrent(supply, *ohms),
                          stallCurrent(top, *ohms), peak);
        }
        if (drive.windingOfRead) {
            const Amperes some = stallCurrent(supply, *drive.windingOfRead);
            const RatedDemand made = demand(What::Stall, From::Some, some, some, peak);
            if (made.state == State::Over) return made;
        }
        if (!usual) return missing(What::Stall, peak);
        return ofKind(What::Stall, usual->leastStall, usual->stall, peak);
    }
    [[nodiscard]] RatedDemand slip() const {
        if (const auto amps = read(MotorCondition::Slipping))
            return demand(What::Slip, From::Reading, *amps, *amps, false);
        if (drive.slipOfRead > rating.continuous)
            return demand(What::Slip, From::Some, drive.slipOfRead, drive.slipOfRead, false);
        if (const auto ohms = path()) {
            const Amperes most = stallCurrent(top, *ohms);
            RatedDemand made = demand(What::Slip, From::Bound, most, most, false);
            return made.state == State::Over ? missing(What::Slip, false) : made;
        }
        if (!usual) return missing(What::Slip, false);
        return ofKind(What::Slip, usual->leastSlip, usual->slip, false);
    }
    /// Nothing where nobody read it running.
    [[nodiscard]] std::optional<Amperes> ran() const {
        const auto light = read(MotorCondition::Light), hauling = read(MotorCondition::Hauling);
        return light && hauling ? std::max(*light, *hauling) : light ? light : hauling;
    }
    [[nodiscard]] RatedDemand running(double factor) const {
        if (const auto most = ran())
            return demand(What::Running, From::Reading, *most * factor, *most * factor, false);
        if (const auto amps = read(MotorCondition::Slipping)) {
            // Running never takes more than slipping does.
            RatedDemand made =
                demand(What::Running, From::Bound, *amps * factor, *amps * factor, false);
            return made.state == State::Over ? missing(What::Running, false) : made;
        }
        if (!usual) return missing(What::Running, false);
        return ofKind(What::Running, usual->leastRunning * factor, usual->running * factor, false);
    }
    /// It took more than that when it was stopped, so at the limit itself it is over already.
    [[nodiscard]] RatedDemand atLeast(double factor) const {
        const Amperes bound = drive.atLeast * factor;
        RatedDemand least = demand(What::Running, From::AtLeast, bound, bound, false);
        if (bound >= least.limit) least.state = State::Over;
        return least;
    }
};

}  // namespace

Rating rated(const JobAnalysis& facts, const MotorEvidence& drive, const MotorRating& rating) {
    const Demands of(facts, drive, rating);
    const RatingRule rule = facts.house.rule;
    Rating made;
    switch (rule) {
        case RatingRule::Strict:
            made.demands = {of.stall(false)};
            break;
        case RatingRule::Slip:
            made.demands = {of.slip(), of.stall(true)};
            break;
        case RatingRule::Running:
            made.demands = {of.running(runningMargin)};
            break;
    }
    const auto add = [&](RatedDemand demand) {
        if (demand.state != State::Fine) made.demands.push_back(std::move(demand));
    };
    // What it takes for long must be carried for long, whatever the rule.
    if (of.ran() && rule != RatingRule::Running) add(of.running(1.0));
    if (drive.atLeast > Amperes{0})
        add(of.atLeast(rule == RatingRule::Running ? runningMargin : 1));
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
