#include "core/analysis/motor_evidence.h"

#include "core/analysis/job_analysis.h"

#include <algorithm>

namespace glimmet::core {

std::optional<Measured<Ohms>> smallestWinding(const Motor& motor) {
    std::optional<Measured<Ohms>> smallest;
    for (const Measured<Ohms>& winding : motor.windings) {
        if (!smallest || winding.value < smallest->value) smallest = winding;
    }
    return smallest;
}

MotorEvidence motorEvidence(const Motor& motor) {
    MotorEvidence evidence;
    for (const TakenReading& taken : motor.readings) {
        if (taken.struck) continue;
        if (taken.atLeast) {
            evidence.atLeast = std::max(evidence.atLeast, taken.amps);
            continue;
        }
        if (taken.condition == MotorCondition::Stalled && !taken.volts) continue;
        evidence.readings.push_back({taken.condition, taken.volts.value_or(Volts{0}), taken.amps,
                                     taken.on, taken.scatter.value_or(Amperes{0})});
    }
    if (const auto smallest = smallestWinding(motor)) evidence.winding = smallest->value;
    return evidence;
}

const MotorReading* largestWithVolts(const MotorEvidence& evidence, MotorCondition condition) {
    const MotorReading* largest = nullptr;
    for (const MotorReading& reading : evidence.readings) {
        if (reading.condition != condition || !(reading.volts > Volts{0})) continue;
        if (!largest || reading.amps > largest->amps) largest = &reading;
    }
    return largest;
}

std::optional<Ohms> motorPath(const Motor& motor) {
    const MotorEvidence evidence = motorEvidence(motor);
    return pathResistance(evidence.readings, evidence.winding);
}

namespace {

/// The largest current that it took on plain DC before anything was done: it ran alone there.
std::optional<MotorReading> provedRunning(const Proof& proof) {
    std::optional<MotorReading> most;
    for (const ProofReading& each : proof.readings) {
        const bool ran = each.pace == Pace::Medium || each.pace == Pace::Full;
        if (!ran || !each.amps || (most && most->amps >= *each.amps)) continue;
        most = MotorReading{MotorCondition::Light, each.volts, *each.amps, each.on};
    }
    return most;
}

/// With what the whole model took on plain DC: a reading where it ran, at a crawl the least.
MotorEvidence withProof(MotorEvidence drive, const Proof& proof) {
    if (!largestReading(drive.readings, MotorCondition::Light)) {
        if (auto running = provedRunning(proof)) drive.readings.push_back(std::move(*running));
    }
    for (const ProofReading& each : proof.readings) {
        if (each.pace == Pace::Crawl && each.amps)
            drive.atLeast = std::max(drive.atLeast, *each.amps);
    }
    return drive;
}

/// What one motor draws running, at the least.
Amperes runsAtLeast(const MotorEvidence& one) {
    const auto read = [&](MotorCondition condition) {
        return largestReading(one.readings, condition).value_or(Amperes{0});
    };
    return std::max({one.atLeast, read(MotorCondition::Light), read(MotorCondition::Hauling)});
}

MotorEvidence sumOf(const std::vector<MotorAt>& motors) {
    MotorEvidence all;
    for (const MotorCondition condition :
         {MotorCondition::Light, MotorCondition::Hauling, MotorCondition::Slipping}) {
        MotorReading sum{condition, Volts{0}, Amperes{0}, {}};
        bool each = true;
        for (const MotorAt& at : motors) {
            const auto largest = largestReading(motorEvidence(*at.motor).readings, condition);
            each = each && largest;
            if (largest) sum.amps += *largest;
        }
        if (!each && condition == MotorCondition::Slipping) all.slipOfRead = sum.amps;
        if (each) all.readings.push_back(std::move(sum));
    }
    // Where each was read running, the sum says it; else what was read is the least of it.
    const bool running =
        !all.readings.empty() && all.readings.front().condition != MotorCondition::Slipping;
    double conductance = 0;
    bool each = true;
    for (const MotorAt& at : motors) {
        const MotorEvidence one = motorEvidence(*at.motor);
        all.atLeast += running ? one.atLeast : runsAtLeast(one);
        const auto path = pathResistance(one.readings, one.winding);
        each = each && path;
        if (path) conductance += 1 / path->value();
    }
    if (conductance > 0) (each ? all.winding : all.windingOfRead) = Ohms{1 / conductance};
    return all;
}

}  // namespace

MotorEvidence driveEvidence(const Job& job) {
    const std::vector<MotorAt> motors = motorsOf(job);
    if (motors.empty()) return {};
    return withProof(motors.size() == 1 ? motorEvidence(*motors.front().motor) : sumOf(motors),
                     job.proof);
}

namespace {

struct DriveFact {
    using Value = MotorEvidence;
    using Read = Reads<&Job::units, &Job::proof>;
    static Value of(const JobAnalysis& facts) { return driveEvidence(facts.job); }
};

}  // namespace

const MotorEvidence& driveEvidence(const JobAnalysis& facts) { return facts.fact<DriveFact>(); }

std::string motorCalled(const Job& job, const Motor& wanted) {
    const std::vector<MotorAt> motors = motorsOf(job);
    if (motors.size() == 1) return {};
    for (std::size_t i = 0; i < motors.size(); ++i) {
        if (motors[i].motor->id != wanted.id) continue;
        const Unit& unit = job.units[motors[i].unit];
        if (unit.motors.size() == 1 && !unit.name.empty()) return unit.name;
        return "motor " + std::to_string(i + 1);
    }
    return {};
}

}  // namespace glimmet::core
