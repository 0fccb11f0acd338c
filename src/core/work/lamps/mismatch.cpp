#include "core/work/lamps/mismatch.h"

#include "core/led/lamp_circuit.h"
#include "core/work/jot.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <random>

namespace glimmet::core::lamps {
namespace {

constexpr double seen = 1.25;  // the eye lets less pass (docs/physics.md)

struct Pair {
    double low = HUGE_VAL, high = 0;
};

/// Lamps of one kind are meant to match.
std::string kindOf(const LampPart& part) {
    return part.id.empty() ? std::string(name(part.family)) + part.tint : part.id;
}

/// "as it is", then what a line can change of it, then lamps that were picked.
struct Variant {
    Text what;
    std::string jot;
    bool picked = false;
};
std::vector<Variant> variantsOf(const LampGroup& group) {
    std::vector<Variant> all{{text("as it is"), {}}};
    if (group.shared() > Ohms{0} || group.driver()) {
        all.push_back({text("a resistor for each"), "own " + group.name});
    }
    if (group.wish.series != Series::E96) {
        all.push_back({text("resistors of 1 %"), "series " + group.name + " E96"});
    }
    all.push_back({text("picked lamps"), {}, true});
    return all;
}

}  // namespace

Result<Mismatch> mismatchOf(const Job& job, const LampGroup& group, const WorkshopRules& house,
                            std::size_t builds, std::uint64_t seed, const std::stop_token& stop) {
    Mismatch mismatch;
    std::mt19937_64 random(seed);
    std::normal_distribution<double> volts(0, 0.05);
    std::uniform_real_distribution<double> share(-1, 1);
    const double tolerance = resistorTolerance(group);
    for (std::size_t build = 0; build < builds && !stop.stop_requested(); ++build) {
        LampGroup one = group;
        for (LampRow& row : one.rows) {
            if (row.resistor) *row.resistor *= 1 + tolerance * share(random);
            for (Lamp& lamp : row.lamps) {
                if (lamp.measured || lamp.part.filament) continue;
                const FamilyValues values = familyValues(lamp.part.family);
                ForwardPoint point = lamp.part.forward.value_or(
                    ForwardPoint{values.typical, Amperes{familyTestCurrent}});
                point.voltage += Volts{volts(random)};
                lamp.part.forward = point;
            }
        }
        const auto currents = groupCurrents(job, one, house);
        if (!currents) return tl::unexpected(currents.error());
        std::map<std::string, Pair> kinds;
        bool over = false;
        for (std::size_t r = 0; r < group.rows.size(); ++r) {
            if (!group.rows[r].resistor) continue;
            const double current = std::max(currents->rows[r].value(), 1e-12);
            Pair& pair = kinds[kindOf(group.rows[r].lamps.front().part)];
            pair.low = std::min(pair.low, current);
            pair.high = std::max(pair.high, current);
            for (const Lamp& lamp : group.rows[r].lamps) {
                over = over || currents->rows[r] > currentLimit(lamp.part);
            }
        }
        double ratio = 1;
        for (const auto& [kind, pair] : kinds) ratio = std::max(ratio, pair.high / pair.low);
        ++mismatch.builds;
        mismatch.uneven += ratio > seen ? 1U : 0U;
        mismatch.over += over ? 1U : 0U;
        mismatch.ratios.push_back(ratio);
    }
    std::sort(mismatch.ratios.begin(), mismatch.ratios.end());
    return mismatch;
}

std::vector<MismatchLine> mismatchLines(
    const Job& job, const std::string& group, const WorkshopRules& house, std::size_t builds,
    std::uint64_t seed, const std::function<void(std::size_t, std::size_t)>& progress,
    const std::stop_token& stop) {
    std::vector<MismatchLine> lines;
    const auto in = [&](const Job& each) {
        return std::find_if(each.groups.begin(), each.groups.end(),
                            [&](const LampGroup& one) { return one.id == group; });
    };
    if (in(job) == job.groups.end()) return lines;
    const std::vector<Variant> variants = variantsOf(*in(job));
    for (std::size_t v = 0; v < variants.size() && !stop.stop_requested(); ++v) {
        const Variant& variant = variants[v];
        Job changed = job;
        if (!variant.jot.empty()) {
            static const Catalogue none;  // these lines name no part
            auto taken = applyLine(variant.jot, job, none, {});
            if (!taken) continue;
            changed = std::move(taken->after);
        }
        LampGroup tried = *in(changed);
        if (variant.picked) {
            for (LampRow& row : tried.rows) {
                for (Lamp& lamp : row.lamps) lamp.measured = true;  // no spread is left
            }
        }
        auto mismatch = mismatchOf(changed, tried, house, builds, seed, stop);
        if (mismatch) lines.push_back({variant.what, variant.jot, std::move(*mismatch)});
        if (progress) progress((v + 1) * builds, variants.size() * builds);
    }
    return lines;
}

}  // namespace glimmet::core::lamps
