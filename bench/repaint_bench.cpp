// From an edit to the repainted window, and from nothing to the first painted frame of the demo.
// Run offscreen (QT_QPA_PLATFORM=offscreen) or under Xvfb.
#include "app/frame/main_window.h"
#include "app/picture/picture_view.h"
#include "app/theme/theme.h"
#include "store/catalogue.h"

#include <QApplication>
#include <QTemporaryDir>

#include <benchmark/benchmark.h>

namespace {

using namespace glimmet;

/// The railcar with four hundred rows in one group, each a little unlike the others.
core::Job manyRows() {
    core::Job job = store::demoJobs().at(1);
    core::LampGroup& group = job.groups.front();
    group.rows.resize(400, group.rows.front());
    for (std::size_t i = 0; i < group.rows.size(); ++i)
        group.rows[i].resistor = core::Ohms{800 + 7.0 * static_cast<double>(i)};
    return job;
}

/// The saloon with forty lamps in its groups, each a little unlike the others.
core::Job fortyLamps() {
    core::Job job = store::demoJobs().at(2);
    std::size_t made = 0;
    for (std::size_t g = 0; g < job.groups.size(); ++g) {
        core::LampGroup& group = job.groups[g];
        group.rows.resize(40 * (g + 1) / job.groups.size() - made, group.rows.front());
        made += group.rows.size();
        for (std::size_t i = 0; i < group.rows.size(); ++i) {
            core::LampRow& row = group.rows[i];
            row.resistor = core::Ohms{1500 + 10.0 * static_cast<double>(i)};
            for (core::Lamp& lamp : row.lamps) {
                lamp.part.blink.reset();
                lamp.fitted.pose.at.x += core::Millimetres{2.0 * static_cast<double>(i)};
            }
        }
    }
    return job;
}

void editToRepaint(benchmark::State& state, const char* lineA, const char* lineB, std::size_t which,
                   std::string_view stage, bool dark = false) {
    QTemporaryDir folder;
    const QString path = folder.filePath(QStringLiteral("demo.glimmet"));
    {
        const auto workshop = store::Workshop::open(path, store::Access::ReadWrite);
        std::vector<core::Job> jobs = store::demoJobs();
        jobs.push_back(manyRows());
        jobs.push_back(fortyLamps());
        (void)(*workshop)->add(jobs, core::text("Demo")).value();
    }
    app::MainWindow window(store::loadedCatalogue({}).catalogue);
    window.resize(1280, 800);
    window.openWorkshop(path);
    window.show();
    window.bench().openJob(window.bench().workshop()->jobs().value()[which].id);
    window.bench().goTo(stage);
    window.findChild<app::PictureView*>()->setDark(dark);
    for (int i = 0; i < 20; ++i) QApplication::processEvents();
    bool turn = false;
    for (auto _ : state) {
        turn = !turn;
        window.bench().take(QString::fromUtf8(turn ? lineA : lineB));
        // Layout, queued plots and paint events: everything until the window is at rest.
        QApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
        QApplication::processEvents();
        QApplication::processEvents();
    }
}
BENCHMARK_CAPTURE(editToRepaint, measure, "track 15V", "track 16V", 0, "measure")
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(editToRepaint, lamps, "resistor headlamps A 3k3", "resistor headlamps A 2k7", 1,
                  "lamps")
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(editToRepaint, rails, "resistor roof 1k5", "resistor roof 1k8", 2, "lamps")
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(editToRepaint, fourHundredRows, "resistor headlamps A 3k3",
                  "resistor headlamps A/7 2k7", 9, "lamps")
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(editToRepaint, fortyLamps, "resistor roof/3 1k5", "resistor roof/3 1k8", 10,
                  "lamps")
    ->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(editToRepaint, fortyLampsInTheDark, "resistor roof/3 1k5", "resistor roof/3 1k8",
                  10, "lamps", true)
    ->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    QApplication::setOrganizationName(QStringLiteral("glimmet-bench"));
    app::loadTypefaces();
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
    return 0;
}
