// From an edit to all findings of a job recomputed.
#include "core/analysis/decoder/ranking.h"
#include "core/analysis/lamps/what_if.h"
#include "core/analysis/stay_alive/crossing_state.h"
#include "core/instrument/log_cutting.h"
#include "core/work/jot.h"
#include "core/work/lamps/mismatch.h"
#include "core/work/stage_status.h"
#include "core/work/trials.h"
#include "store/catalogue.h"
#include "store/job_json.h"

#include <benchmark/benchmark.h>

#include <fstream>
#include <iterator>

namespace {

using namespace glimmet;

core::Job demo(const char* name) {
    std::ifstream file(std::string(DEMO_FOLDER "/") + name);
    const std::string text((std::istreambuf_iterator<char>(file)), {});
    return store::jobFromJson(text).value();
}

void editToFindings(benchmark::State& state, const char* file, const char* line) {
    const core::Job job = demo(file);
    const core::Catalogue catalogue = store::loadedCatalogue({}).catalogue;
    for (auto _ : state) {
        const auto jotted = core::applyLine(line, job, catalogue, "2026-03-02");
        auto findings = core::findings(jotted.value().after, catalogue);
        benchmark::DoNotOptimize(findings);
    }
}
BENCHMARK_CAPTURE(editToFindings, ling, "ling.json", "stall 1.3A 12V")
    ->Unit(benchmark::kMicrosecond);
BENCHMARK_CAPTURE(editToFindings, tern, "tern.json", "resistor headlamps A/1 3k3")
    ->Unit(benchmark::kMicrosecond);

/// The options of the finding with the most of them after an edit, each tried on the whole job.
void tryOptions(benchmark::State& state, const char* file, const char* line) {
    const core::Catalogue catalogue = store::loadedCatalogue({}).catalogue;
    const core::Job job = core::applyLine(line, demo(file), catalogue, "2026-03-02")->after;
    const core::JobAnalysis facts = core::analysed(job, {}, catalogue);
    core::Finding spoken;
    for (const core::Finding& each : core::findings(facts)) {
        if (each.state != core::State::Fine && each.options.size() > spoken.options.size())
            spoken = each;
    }
    for (auto _ : state) {
        core::Finding tried = spoken;
        core::tryOptions(tried, facts);
        benchmark::DoNotOptimize(tried);
    }
    state.counters["options"] = static_cast<double>(spoken.options.size());
}
BENCHMARK_CAPTURE(tryOptions, tern, "tern.json", "resistor headlamps A/1 220R")
    ->Unit(benchmark::kMicrosecond);
BENCHMARK_CAPTURE(tryOptions, ling, "ling.json", "stall 1.3A 12V")->Unit(benchmark::kMicrosecond);

void exportJob(benchmark::State& state) {
    const core::Job job = demo("tern.json");
    for (auto _ : state) benchmark::DoNotOptimize(store::jobToJson(job, -1));
}
/// 500 decoders held against everything that the railcar asks.
void rankDecoders(benchmark::State& state) {
    core::Catalogue parts = store::loadedCatalogue({}).catalogue;
    const std::vector<core::Decoder> shipped = parts.decoders;
    while (parts.decoders.size() < 500)
        parts.decoders.push_back(shipped[parts.decoders.size() % shipped.size()]);
    const core::Job job = demo("tern.json");
    const core::WorkshopRules house;
    const core::JobAnalysis facts = core::analysed(job, house, parts);
    const core::MotorEvidence drive = core::driveEvidence(job);
    for (auto _ : state) benchmark::DoNotOptimize(core::decoder::rankedDecoders(facts, drive));
}
/// The worst of a model's dead places over its travel, and thirty speeds over it.
void crossLayout(benchmark::State& state) {
    const core::Job job = demo("ling.json");
    const core::Catalogue catalogue = store::loadedCatalogue({}).catalogue;
    const core::JobAnalysis facts = core::analysed(job, {}, catalogue);
    for (auto _ : state) benchmark::DoNotOptimize(core::stay_alive::crossingChart(facts, ""));
}
/// From the text of a meter's log of 100,000 rows to its parts.
void cutLogOfMeter(benchmark::State& state) {
    std::string log = "t;U;I\n";
    constexpr double amps[] = {0, 0.2, 0.35, 0.6, 0, 0.9};
    for (int i = 0; i < 100'000; ++i) {
        const double level = amps[i / 20'000];
        const double noise = 1 + 0.05 * ((i * 7919) % 101 / 100.0 - 0.5);
        log += std::to_string(i * 0.01) + ';' + std::to_string(level > 0 ? 12.0 : 0.0) + ';' +
               std::to_string(level * noise) + '\n';
    }
    for (auto _ : state) {
        const auto read = core::meterLog(log, core::guessedDialect(log).value());
        benchmark::DoNotOptimize(core::cutLog(read->rows));
    }
}
/// A saloon of forty lamps behind one resistor, as many rows.
core::Job fortyLamps() {
    core::Job job = demo("aurora.json");
    core::LampGroup& roof = job.groups.front();
    core::LampRow row = roof.rows.front();
    row.lamps.resize(1);
    row.resistor = core::Ohms{100};
    roof.rows.assign(40, row);
    roof.connection = core::SharedResistor{core::Ohms{10}};
    return job;
}
/// A thousand builds of it as it is and with each change that could be made.
void buildAThousand(benchmark::State& state) {
    const core::Job job = fortyLamps();
    for (auto _ : state) {
        benchmark::DoNotOptimize(
            core::lamps::mismatchLines(job, job.groups.front().id, {}, 1000, 1));
    }
}
/// Every way in which one of it can fail.
void failOneOfForty(benchmark::State& state) {
    const core::Job job = fortyLamps();
    for (auto _ : state) {
        benchmark::DoNotOptimize(core::lamps::whatIf(job, job.groups.front(), {}));
    }
}
// --- growth: time over size, of which docs/performance.md gives the exponent -------------------

enum class Grows { RowsAlike, RowsUnlike, RowsShared, Groups, Readings };

/// The railcar with so many of one thing; each a little unlike the others, but for rows alike.
core::Job grown(Grows what, std::size_t count) {
    core::Job job = demo("tern.json");
    const core::LampRow first = job.groups.front().rows.front();
    const auto led = [&](std::size_t i) {
        static const core::Catalogue parts = store::loadedCatalogue({}).catalogue;
        static const char* const ids[] = {"warm-white-0603", "red-3mm", "amber-0603", "green-3mm"};
        core::LampRow row = first;
        if (const core::LampPart* part = core::lampNamed(parts, ids[i % 4]))
            row.lamps.front().part = *part;
        row.resistor = core::Ohms{2200 + static_cast<double>(i % 97)};
        return row;
    };
    core::LampGroup group = job.groups.front();
    group.connection = core::OwnResistors{};
    group.rows.assign(1, led(0));
    if (what == Grows::Readings) {
        core::Motor& motor = job.units.front().motors.front();
        while (motor.readings.size() < count) {
            core::TakenReading reading;
            reading.condition = core::MotorCondition::Light;
            reading.amps = core::Amperes{0.18 + 1e-4 * static_cast<double>(count % 13)};
            reading.volts = core::Volts{12};
            reading.on = "2026-03-02";
            motor.readings.push_back(reading);
        }
        return job;
    }
    job.groups.clear();
    if (what == Grows::Groups) {
        for (std::size_t i = 0; i < count; ++i) {
            core::LampGroup one = group;
            one.id = core::newId(job, 'L');
            one.name = "lamp " + std::to_string(i);
            one.rows = {led(i)};
            job.groups.push_back(std::move(one));
        }
        return job;
    }
    group.rows.clear();
    for (std::size_t i = 0; i < count; ++i)
        group.rows.push_back(led(what == Grows::RowsAlike ? 0 : i));
    if (what == Grows::RowsShared) {
        group.connection = core::SharedResistor{core::Ohms{5}};
        for (core::LampRow& row : group.rows) row.resistor = core::Ohms{10};
    }
    job.groups.push_back(std::move(group));
    return job;
}
void judgeGrown(benchmark::State& state, Grows what) {
    const core::Job job = grown(what, static_cast<std::size_t>(state.range(0)));
    const core::Catalogue catalogue = store::loadedCatalogue({}).catalogue;
    for (auto _ : state) benchmark::DoNotOptimize(core::findings(job, catalogue));
}
BENCHMARK_CAPTURE(judgeGrown, rowsAlike, Grows::RowsAlike)
    ->Unit(benchmark::kMillisecond)
    ->RangeMultiplier(10)
    ->Range(10, 10000);
BENCHMARK_CAPTURE(judgeGrown, rowsUnlike, Grows::RowsUnlike)
    ->Unit(benchmark::kMillisecond)
    ->RangeMultiplier(10)
    ->Range(10, 10000);
BENCHMARK_CAPTURE(judgeGrown, rowsShared, Grows::RowsShared)
    ->Unit(benchmark::kMillisecond)
    ->RangeMultiplier(10)
    ->Range(10, 10000);
BENCHMARK_CAPTURE(judgeGrown, groups, Grows::Groups)
    ->Unit(benchmark::kMillisecond)
    ->RangeMultiplier(10)
    ->Range(10, 10000);
BENCHMARK_CAPTURE(judgeGrown, readings, Grows::Readings)
    ->Unit(benchmark::kMillisecond)
    ->RangeMultiplier(10)
    ->Range(100, 100000);

BENCHMARK(buildAThousand)->Unit(benchmark::kMillisecond)->Iterations(1);
BENCHMARK(failOneOfForty)->Unit(benchmark::kMicrosecond);
BENCHMARK(cutLogOfMeter)->Unit(benchmark::kMillisecond);
BENCHMARK(crossLayout)->Unit(benchmark::kMicrosecond);
BENCHMARK(rankDecoders)->Unit(benchmark::kMillisecond);
BENCHMARK(exportJob)->Unit(benchmark::kMicrosecond);

}  // namespace
