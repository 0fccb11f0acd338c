// Glimmet, the application.
#include "app/frame/main_window.h"
#include "app/frame/shots.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "store/catalogue.h"
#include "store/workshop.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QDateTime>
#include <QDir>
#include <QFileInfo>
#include <QProcess>
#include <QSettings>
#include <QStandardPaths>
#include <QTimer>
#include <QWindow>

#include <iostream>
#include <string>

using namespace Qt::StringLiterals;

namespace {

/// A fresh copy of the demo workshop, under a name of its own, so that nobody's file is touched
/// and what was done in it is still there for whoever opens it again.
QString freshDemo() {
    const QString folder =
        QDir(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation)).filePath(u"demo"_s);
    QDir().mkpath(folder);
    const QString stamp = QDateTime::currentDateTime().toString(u"yyyyMMdd-HHmmss-zzz"_s);
    const QString path = QDir(folder).filePath(u"Brisling Quay Railway %1.glimmet"_s.arg(stamp));
    const auto workshop = glimmet::store::Workshop::open(path, glimmet::store::Access::ReadWrite);
    if (!workshop) return {};
    const auto added = (*workshop)->add(glimmet::store::demoJobs(), glimmet::core::text("Demo"));
    if (!added) return {};
    for (const std::string& photo : glimmet::store::demoPhotos()) {
        if (!(*workshop)->keepPhoto(photo)) return {};
    }
    // What runs together in the yard: the first three.
    glimmet::core::WorkshopRecord record;
    glimmet::core::PowerDistrict quay{"quay",
                                      glimmet::core::Amperes{3},
                                      glimmet::core::Amperes{4},
                                      glimmet::core::Amperes{0.3},
                                      {}};
    for (std::size_t i = 0; i < std::min<std::size_t>(3, added->size()); ++i) {
        quay.models.push_back({static_cast<int>((*added)[i])});
    }
    record.districts = {std::move(quay)};
    const auto recorded = (*workshop)->recordWorkshop({{record, glimmet::core::text("Demo")}});
    return recorded ? path : QString();
}

/// Where a first start keeps its jobs.
QString ownWorkshop() {
    const QString folder = QStandardPaths::writableLocation(QStandardPaths::AppDataLocation);
    QDir().mkpath(folder);
    return QDir(folder).filePath(u"Workshop.glimmet"_s);
}

/// Takes a line of standard input, then the next, until there are no more. Waits for a job: a large
/// workshop is looked through before it opens.
void enterNextLine(glimmet::app::Bench& bench) {
    if (!bench.hasJob()) {
        QTimer::singleShot(20, &bench, [&bench] { enterNextLine(bench); });
        return;
    }
    std::string line;
    if (!std::getline(std::cin, line)) return;
    const bool taken = line == "undo"   ? bench.undo()
                       : line == "redo" ? bench.redo()
                                        : bench.take(QString::fromStdString(line));
    if (taken) std::cout << line << std::endl;  // flushed: whoever reads it may rely on it
    QTimer::singleShot(0, &bench, [&bench] { enterNextLine(bench); });
}

/// The demo's bench meter: a simulated one with its first model on it, which goes with the window.
void startStandIn(QProcess& standIn, glimmet::app::MainWindow& window) {
    const QDir here(QCoreApplication::applicationDirPath());
    QString program;
    for (const QString& place : {u"glimmet-benchmeter"_s, u"../benchmeter/glimmet-benchmeter"_s}) {
        if (program.isEmpty() && QFileInfo(here.filePath(place)).isExecutable()) {
            program = here.filePath(place);
        }
    }
    if (program.isEmpty()) return;  // readings are typed then, as without any meter
    QObject::connect(&standIn, &QProcess::readyReadStandardOutput, &window, [&standIn, &window] {
        const QByteArray line = standIn.readLine().trimmed();
        if (!line.isEmpty()) window.useMeter(QString::fromUtf8(line));
    });
    standIn.start(program, {u"--until-input-ends"_s});
}

}  // namespace

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    QApplication::setApplicationName(u"glimmet"_s);
    QApplication::setApplicationDisplayName(u"Glimmet"_s);
    QApplication::setApplicationVersion(u"0.1.0"_s);

    QCommandLineParser parser;
    parser.setApplicationDescription(QApplication::translate(
        "main", "Reckoning for decoders, stay-alives and lamps in model railways."));
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument(u"workshop"_s, QApplication::translate("main", "A workshop file."),
                                 u"[workshop]"_s);
    const QCommandLineOption demo(
        u"demo"_s, QApplication::translate("main", "Open a fresh copy of the demo workshop."));
    const QCommandLineOption shots(
        u"shots"_s,
        QApplication::translate("main", "Write a PNG of each main view into DIR and exit."),
        u"DIR"_s);
    const QCommandLineOption firstFrame(
        u"exit-after-first-frame"_s,
        QApplication::translate("main",
                                "Exit when the window has been painted once (for measuring)."));
    const QCommandLineOption enter(
        u"enter"_s,
        QApplication::translate("main",
                                "Enter the jot lines of standard input as if they were typed; each "
                                "is printed when it is recorded."));
    const QCommandLineOption meter(
        u"meter"_s,
        QApplication::translate("main", "Take readings from the bench meter at HOST:PORT."),
        u"HOST:PORT"_s);
    parser.addOptions({demo, shots, firstFrame, enter, meter});
    parser.process(application);
    // Pictures for the documentation are taken without the settings of whoever takes them.
    if (parser.isSet(shots)) QSettings::setDefaultFormat(QSettings::IniFormat);
    QApplication::setOrganizationName(parser.isSet(shots) ? u"glimmet-shots"_s : u"glimmet"_s);
    if (parser.isSet(shots)) QSettings().clear();

    glimmet::app::loadTypefaces();
    auto loaded = glimmet::store::loadedCatalogue(glimmet::store::userCatalogueFile());
    glimmet::app::MainWindow window(std::move(loaded.catalogue));

    QString path;
    if (parser.isSet(demo) || parser.isSet(shots)) {
        path = freshDemo();
    } else if (!parser.positionalArguments().isEmpty()) {
        path = parser.positionalArguments().constFirst();
    } else {
        const QStringList recent = QSettings().value(u"workshops/recent"_s).toStringList();
        path = recent.isEmpty() || !QFileInfo::exists(recent.constFirst()) ? ownWorkshop()
                                                                           : recent.constFirst();
    }
    if (path.isEmpty())
        window.say(QApplication::translate("main", "The demo workshop could not be written."));
    else
        window.openWorkshop(path);
    if (loaded.userFault) {
        window.say(
            QApplication::translate("main", "Your own parts were left out. %1: %2")
                .arg(glimmet::store::userCatalogueFile(), glimmet::app::said(*loaded.userFault)));
    }
    if (parser.isSet(shots)) {
        QApplication::setCursorFlashTime(0);  // pictures of the same show the same
        return glimmet::app::writeShots(window, parser.value(shots)) ? 0 : 1;
    }
    window.show();
    QProcess standIn;
    if (parser.isSet(meter)) {
        window.useMeter(parser.value(meter));
    } else if (parser.isSet(demo) && !parser.isSet(firstFrame)) {
        startStandIn(standIn, window);
    }
    if (parser.isSet(firstFrame)) {
        while (!window.windowHandle()->isExposed()) QApplication::processEvents();
        window.repaint();
        return 0;
    }
    if (parser.isSet(enter)) {
        // From the event loop, a line at a time, as keys would come.
        QTimer::singleShot(0, &window, [&window] { enterNextLine(window.bench()); });
    }
    const int result = QApplication::exec();
    standIn.closeWriteChannel();  // so it ends
    standIn.waitForFinished(1000);
    return result;
}
