#include "app/frame/shots.h"

#include "app/frame/main_window.h"
#include "app/picture/picture_view.h"
#include "app/stage_view.h"
#include "core/work/stage_status.h"

#include <QApplication>
#include <QDir>
#include <QEventLoop>
#include <QPixmap>
#include <QTimer>

#include <algorithm>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

/// Lets queued work and the background scan come to rest.
void settle() {
    QEventLoop loop;
    QTimer::singleShot(250, &loop, &QEventLoop::quit);
    loop.exec();
}

}  // namespace

bool writeShots(MainWindow& window, const QString& folder) {
    if (!QDir().mkpath(folder)) return false;
    window.resize(1280, 800);
    window.show();
    settle();
    bool good = true;
    const auto shoot = [&](const QString& name) {
        settle();
        good = window.grab().save(QDir(folder).filePath(name + u".png"_s)) && good;
    };
    const auto jobs = window.bench().workshop()->jobs().value_or(std::vector<store::JobEntry>{});
    for (const bool night : {false, true}) {
        window.setNight(night);
        const QString theme = night ? u"-night"_s : u"-day"_s;
        for (const StageView& view : stageViews()) {
            for (const Shot& shot : view.shots) {
                if (night && !shot.nightToo) continue;
                const auto job = static_cast<std::size_t>(shot.job);
                if (job >= jobs.size()) return false;
                window.bench().openJob(jobs[job].id);
                window.bench().goTo(view.stage);
                window.bench().pointAt(shot.subject);
                shoot(QString::fromUtf8(shot.name) + theme);
            }
        }
    }
    window.bench().openWorkshopRecord();
    for (const StageView& view : workshopViews()) {
        for (const Shot& shot : view.shots) {
            window.bench().goTo(view.stage);
            window.bench().pointAt(shot.subject);
            shoot(QString::fromUtf8(shot.name) + u"-night"_s);
        }
    }
    // Lamps inside, of several colours.
    window.bench().openJob(jobs[std::min<std::size_t>(2, jobs.size() - 1)].id);
    window.bench().goTo(core::whereWorkIs(window.bench().standings(), window.bench().findings()));
    window.picture()->setDark(true);
    shoot(u"lights-out"_s);
    window.picture()->setDark(false);
    window.setNight(false);
    return good;
}

}  // namespace glimmet::app
