// A workshop of ten thousand jobs: opening, searching, recording an edit.
#include "store/catalogue.h"
#include "store/workshop.h"

#include <QCoreApplication>
#include <QTemporaryDir>

#include <benchmark/benchmark.h>

namespace {

using namespace glimmet;

constexpr int many = 10000;

/// One file for the whole run; every tenth job is the railcar with its nine lamps.
const QString& largeWorkshop() {
    static QTemporaryDir folder;
    static const QString path = [] {
        static int argc = 1;
        static char name[] = "bench";
        static char* argv[] = {name, nullptr};
        static QCoreApplication application(argc, argv);
        const QString file = folder.filePath(QStringLiteral("large.glimmet"));
        const auto demo = store::demoJobs();
        std::vector<core::Job> jobs;
        for (int i = 0; i < many; ++i) {
            jobs.push_back(demo[i % 10 == 0 ? 1 : 0]);
            jobs.back().name = "No. " + std::to_string(i) + (i % 7 == 0 ? " Ling" : " Dorsch");
            jobs.back().notes.push_back({"2026-03-02", "remark word" + std::to_string(i % 97)});
        }
        const auto workshop = store::Workshop::open(file, store::Access::ReadWrite);
        (void)(*workshop)->add(jobs, core::text("bench")).value();
        return file;
    }();
    return path;
}

void openTenThousandJobs(benchmark::State& state) {
    const QString path = largeWorkshop();
    for (auto _ : state) {
        const auto workshop = store::Workshop::open(path, store::Access::ReadWrite);
        auto jobs = (*workshop)->jobs();
        benchmark::DoNotOptimize(jobs.value().size());
    }
}
BENCHMARK(openTenThousandJobs)->Unit(benchmark::kMillisecond);

void searchTenThousandJobs(benchmark::State& state, const char* words) {
    const auto workshop = store::Workshop::open(largeWorkshop(), store::Access::ReadWrite);
    std::size_t found = 0;
    for (auto _ : state) found = (*workshop)->search(words).value().size();
    state.counters["found"] = static_cast<double>(found);
}
BENCHMARK_CAPTURE(searchTenThousandJobs, oneWord, "word42")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(searchTenThousandJobs, oneLetter, "d")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(searchTenThousandJobs, everyJob, "lamp")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(searchTenThousandJobs, twoWords, "ling saloon")->Unit(benchmark::kMillisecond);

void recordAnEdit(benchmark::State& state) {
    const auto workshop = store::Workshop::open(largeWorkshop(), store::Access::ReadWrite);
    const auto id = (*workshop)->jobs().value().front().id;
    core::Job job = (*workshop)->job(id).value();
    int turn = 0;
    for (auto _ : state) {
        job.name = "turn " + std::to_string(++turn);
        benchmark::DoNotOptimize((*workshop)->record(id, job, core::text("bench")).value());
    }
}
BENCHMARK(recordAnEdit)->Unit(benchmark::kMillisecond);

}  // namespace
