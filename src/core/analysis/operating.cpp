#include "core/analysis/operating.h"

#include "core/analysis/rail_feed.h"
#include "core/analysis/supply.h"

#include <algorithm>

namespace glimmet::core {

namespace {

/// On plain DC either way round of a group lights in its direction.
bool takesTurns(const Job& job, const LampGroup& group) {
    return !alternates(job.feed) && lightsTurned(job, group) &&
           std::any_of(group.rows.begin(), group.rows.end(),
                       [](const LampRow& row) { return row.backwards; });
}

}  // namespace

bool railsTellDirection(const Job& job) {
    return std::any_of(job.groups.begin(), job.groups.end(), [&](const LampGroup& group) {
        return (oneWayOnly(job, group) && !alternates(job.feed)) || takesTurns(job, group);
    });
}

bool isOn(const Job& job, const Operating& operating, std::string_view output) {
    if (operating.everything || output == supplyOutput) return true;
    const std::vector<FunctionKey> map = functionMap(job);
    return std::any_of(map.begin(), map.end(), [&](const FunctionKey& key) {
        const bool way =
            !key.direction || (*key.direction == Direction::Forward) == operating.forward;
        return way && operating.keys.contains(key.key) &&
               std::find(key.outputs.begin(), key.outputs.end(), output) != key.outputs.end();
    });
}

Awake decoderAwake(const Job& job) {
    if (job.decoder && job.decoder->part.leastSupply > Volts{0}) {
        return {job.decoder->part.leastSupply, false};
    }
    return {usuallyAwakeFrom, true};
}

std::vector<LitLamp> litWhen(const JobAnalysis& facts, const Operating& operating,
                             const Relit& relit) {
    const Job& job = facts.job;
    const Volts track = trackVolts(job);
    const Volts volts = operating.volts.value_or(track);
    std::vector<Result<GroupState>> groups = facts.groups;
    if (volts < track || volts > track) {
        Job driven = job;
        driven.supply.volts = Measured<Volts>{volts, {}};
        for (std::size_t g = 0; g < groups.size(); ++g) {
            groups[g] = groupState(driven, job.groups[g], facts.house);
        }
    }
    const bool awake = volts >= decoderAwake(job).from;
    for (std::size_t g = 0; g < groups.size(); ++g) {
        const std::string& output = job.groups[g].output;
        // A diode lets the lamps of an end light when that end leads.
        const LampGroup& group = job.groups[g];
        const bool led = operating.everything || alternates(job.feed) || !oneWayOnly(job, group) ||
                         operating.forward !=
                             (group.rows.front().lamps.front().fitted.pose.facing == Facing::Rear);
        const bool lit = led && isOn(job, operating, output) && (output == supplyOutput || awake);
        if (!groups[g]) continue;
        const bool inTurn = !operating.everything && takesTurns(job, group);
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            const bool ahead = !inTurn || operating.forward != group.rows[r].backwards;
            if (!lit || !ahead) groups[g]->rows[r].current = Amperes{0};
        }
    }
    std::vector<LitLamp> all = litLamps(job, groups);
    if (relit) relit(all);
    auto lit = all.begin();
    for (const LampGroup& group : job.groups) {
        for (const LampRow& row : group.rows) {
            for (std::size_t i = 0; i < row.lamps.size(); ++i, ++lit) {
                lit->blinks = row.lamps[i].part.blink && comesToBlink(facts, group, row);
                const double light = lit->brightness * lit->brightness * lit->brightness;
                lit->brightness = seenIn(light, operating.room);
            }
        }
    }
    return all;
}

std::vector<std::optional<Volts>> comesOnAt(const JobAnalysis& facts, const Operating& operating) {
    std::vector<std::optional<Volts>> all;
    const Volts awake = decoderAwake(facts.job).from;
    for (std::size_t g = 0; g < facts.groups.size(); ++g) {
        const LampGroup& group = facts.job.groups[g];
        const auto& state = facts.groups[g];
        const bool connected =
            state && std::any_of(state->rows.begin(), state->rows.end(),
                                 [](const RowState& row) { return row.connected; });
        if (!connected || !isOn(facts.job, operating, group.output)) {
            all.emplace_back();
            continue;
        }
        all.emplace_back(group.output == supplyOutput ? state->glowFrom
                                                      : std::max(state->glowFrom, awake));
    }
    return all;
}

}  // namespace glimmet::core
