#include "app/frame/jot_line.h"
#include "app/frame/reckoning_panel.h"
#include "app/frame/reckoning_rows.h"
#include "app/frame/workshop_files.h"
#include "app/lamps/fault_table.h"
#include "app/lamps/lamps_panel.h"
#include "app/lamps/schematic.h"
#include "app/picture/picture_view.h"
#include "app/stage_view.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "core/work/sheets.h"
#include "open_window.h"

#include <QAbstractButton>
#include <QAction>
#include <QFile>
#include <QFileInfo>
#include <QInputDialog>
#include <QListView>
#include <QMenu>
#include <QMenuBar>
#include <QPushButton>
#include <QSignalSpy>
#include <QTimer>
#include <QToolButton>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using tests::OpenWindow;

TEST(MainWindow, ShowsTheVerdictOfTheFirstJob) {
    OpenWindow app;
    EXPECT_EQ(app.sentence(),
              "Fits by the slip rule: stalled it would draw 1.36 A of the decoder's 1.8 A peak.");
    EXPECT_TRUE(app.window().windowTitle().startsWith(u"No. 4 \"Ling\""_s));
}
TEST(MainWindow, AJotChangesSentenceFiguresAndPlotAtOnceAndUndoTakesItBack) {
    OpenWindow app;
    app.bench().goTo("measure");
    OpenWindow::settle();
    const QImage before = app.find<QWidget>(u"motorPlot"_s)->grab().toImage();
    ASSERT_FALSE(before.isNull());
    app.jot(u"stall 1.3A 12V"_s);
    // (16.4 − 1.2 − 0.4) V / (12 V / 1.3 A) = 1.603 A
    EXPECT_EQ(app.sentence(), "Enough was read: stalled it would draw 1.6 A at track volts.");
    auto* figure = app.find<QAbstractButton>(u"figure-I_stall"_s);
    EXPECT_TRUE(figure->accessibleName().contains(u"1.603 A"_s))
        << figure->accessibleName().toStdString();
    EXPECT_TRUE(app.find<QLabel>(u"because-I_stall"_s)->text().contains(u"16.4\u00a0V"_s));
    EXPECT_NE(app.find<QWidget>(u"motorPlot"_s)->grab().toImage(), before);
    app.press(Qt::Key_Z, Qt::ControlModifier);
    OpenWindow::settle();
    EXPECT_EQ(app.sentence(), "Enough was read: stalled it would draw 1.36 A at track volts.");
    EXPECT_EQ(app.find<QWidget>(u"motorPlot"_s)->grab().toImage(), before);
}
// Painting is half of the time from an edit to the repainted window.
TEST(MainWindow, PaintsOnceForAnEditAndTheShelfOnlyWhereItChanged) {
    struct Paints : QObject {
        bool eventFilter(QObject*, QEvent* event) override {
            if (event->type() == QEvent::Paint) ++count;
            return false;
        }
        void await() const {
            for (int wait = 0; wait < 250 && count == 0; ++wait) OpenWindow::settle();
        }
        int count = 0;
    };
    OpenWindow app;
    app.bench().openJob(app.bench().workshop()->jobs().value()[1].id);
    app.bench().goTo("lamps");
    for (const QString& line : {u"resistor headlamps A 2k7"_s, u"resistor headlamps A 3k3"_s}) {
        app.bench().take(line);
        OpenWindow::settle();
    }
    QTest::qWait(200);  // the look through the shelf included
    Paints reckoning, shelf;
    app.find<QLabel>(u"sentence"_s)->installEventFilter(&reckoning);
    app.find<QListView>(u"shelfList"_s)->viewport()->installEventFilter(&shelf);
    const std::string before = app.sentence();
    app.bench().take(u"resistor headlamps A 2k7"_s);
    reckoning.await();
    QTest::qWait(100);  // whatever else there may be to paint
    EXPECT_NE(app.sentence(), before);
    EXPECT_EQ(reckoning.count, 1);
    EXPECT_EQ(shelf.count, 0);
    app.bench().take(u"name Gull"_s);
    shelf.await();
    EXPECT_GE(shelf.count, 1);
}
TEST(MainWindow, ShowsWhatALineWillMeanWhileItIsTyped) {
    OpenWindow app;
    auto* field = app.find<QLineEdit>(u"jot"_s);
    QTest::keyClicks(field, u"stall 1.3A"_s);
    EXPECT_NE(app.words(u"jotMeaning"_s).find("needs the volts"), std::string::npos);
    QTest::keyClicks(field, u" 12V"_s);
    EXPECT_EQ(app.words(u"jotMeaning"_s), "↵ Stall test: 1.3 A at 12 V");
    QTest::keyClick(field, Qt::Key_Escape);
    EXPECT_EQ(field->text(), QString());
}
TEST(MainWindow, KeepsARefusedLineToBeMended) {
    OpenWindow app;
    const core::Job before = app.bench().job();
    app.jot(u"stall 13 12"_s);
    EXPECT_EQ(app.bench().job(), before);
    EXPECT_EQ(app.find<QLineEdit>(u"jot"_s)->text(), u"stall 13 12"_s);
    EXPECT_FALSE(app.words(u"noticeWords"_s).empty());
    EXPECT_FALSE(app.bench().undoable().undo.has_value());  // it was not taken
}
TEST(MainWindow, NamesInTheMenuWhatUndoWouldTakeBack) {
    OpenWindow app;
    app.jot(u"name Ling & Tern"_s);
    QStringList names;
    for (const auto* action : app.window().findChildren<QAction*>()) names.append(action->text());
    EXPECT_TRUE(names.contains(u"Undo: Name: Ling && Tern"_s));  // && is a & in a menu
    EXPECT_TRUE(names.contains(u"Redo"_s));
    app.press(Qt::Key_Z, Qt::ControlModifier);
    names.clear();
    for (const auto* action : app.window().findChildren<QAction*>()) names.append(action->text());
    EXPECT_TRUE(names.contains(u"Redo: Name: Ling && Tern"_s));
}
TEST(MainWindow, RecallsEarlierLinesWithTheArrowKeys) {
    OpenWindow app;
    app.jot(u"slip 650mA"_s);
    auto* field = app.find<QLineEdit>(u"jot"_s);
    QTest::keyClick(field, Qt::Key_Up);
    EXPECT_EQ(field->text(), u"slip 650mA"_s);
    QTest::keyClick(field, Qt::Key_Down);
    EXPECT_EQ(field->text(), QString());
}
TEST(MainWindow, AddsALampTakesAnOptionAndDrawsTheCircuit) {
    OpenWindow app;
    app.press(Qt::Key_5, Qt::ControlModifier);
    app.jot(u"lamp front warm-white-3mm on front"_s);
    EXPECT_NE(app.sentence().find("has no resistor yet"), std::string::npos);
    const core::Finding* spoken = app.bench().spoken();
    ASSERT_NE(spoken, nullptr);
    const QString first = QString::fromStdString(spoken->options.at(0).jot);
    QTest::mouseClick(app.find<QPushButton>(u"use-"_s + first), Qt::LeftButton);
    OpenWindow::settle();
    EXPECT_TRUE(core::groupNamed(app.bench().job(), "front lamp")->rows[0].resistor.has_value());
    EXPECT_NE(app.sentence().find("Front lamp works"), std::string::npos) << app.sentence();
    const auto* schematic = app.find<Schematic>(u"schematic"_s);
    EXPECT_TRUE(schematic->accessibleName().contains(u"front lamp"_s));
    app.press(Qt::Key_Z, Qt::ControlModifier);
    app.press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(core::groupNamed(app.bench().job(), "front lamp"), nullptr);
}
TEST(MainWindow, FindsEverythingAfterAReopen) {
    OpenWindow app;
    app.jot(u"stall 1.3A 12V"_s);
    app.jot(u"lamp front white"_s);
    app.reopen();
    EXPECT_EQ(app.bench().job().units.at(0).motors.at(0).readings.back().amps.value(), 1.3);
    EXPECT_NE(core::groupNamed(app.bench().job(), "front lamp"), nullptr);
    EXPECT_TRUE(app.bench().undoable().undo.has_value());
    app.press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(core::groupNamed(app.bench().job(), "front lamp"), nullptr);
}
TEST(MainWindow, WhatNothingElseTakesIsTypedIntoTheJotLine) {
    OpenWindow app;
    auto* figure = app.find<QAbstractButton>(u"figure-V_rect"_s);
    auto* field = app.find<QLineEdit>(u"jot"_s);
    figure->setFocus();
    QTest::keyClick(figure, Qt::Key_S);
    EXPECT_TRUE(field->hasFocus());
    QTest::keyClicks(field, u"tall 1.3A 12V"_s);
    EXPECT_EQ(app.words(u"jotMeaning"_s), "↵ Stall test: 1.3 A at 12 V");
    // A shortcut is none, and what stands in the line is gone on with.
    figure->setFocus();
    QTest::keyClick(figure, Qt::Key_X, Qt::AltModifier);
    EXPECT_TRUE(figure->hasFocus());
    QTest::keyClick(figure, Qt::Key_X);
    EXPECT_EQ(field->text(), u"stall 1.3A 12Vx"_s);
}
TEST(MainWindow, AnAssumedFigureLeadsToItsMeasurement) {
    OpenWindow app;
    QTest::mouseClick(app.find<QAbstractButton>(u"figure-V_rect"_s), Qt::LeftButton);
    EXPECT_EQ(app.find<QLineEdit>(u"jot"_s)->text(), u"rectifier "_s);
    QTest::keyClicks(app.find<QLineEdit>(u"jot"_s), u"1.1V"_s);
    QTest::keyClick(app.find<QLineEdit>(u"jot"_s), Qt::Key_Return);
    OpenWindow::settle();
    EXPECT_TRUE(
        app.find<QAbstractButton>(u"figure-V_rect"_s)->accessibleName().contains(u"measured"_s));
}
TEST(MainWindow, AnOptionThatIsHeldIsSeenInThePictureUntilItIsLetGo) {
    OpenWindow app;
    app.press(Qt::Key_5, Qt::ControlModifier);
    ASSERT_TRUE(app.bench().take(u"resistor rear 120"_s));
    app.bench().pointAt("rear lamp");
    // Until they are tried another option may come to stand in this row.
    ASSERT_TRUE(QTest::qWaitFor([&] { return !app.bench().trying(); }));
    OpenWindow::settle();
    auto* picture = app.window().findChild<PictureView*>();
    const auto current = [&] {
        OpenWindow::settle();
        for (const core::LitLamp& lit : picture->lamps())
            if (lit.name == "rear lamp") return lit.current.value();
        return 0.0;
    };
    const double before = current();
    OptionRow* row = nullptr;
    for (OptionRow* each : app.window().findChildren<OptionRow*>())
        if (each->isVisible() && !row) row = each;
    ASSERT_TRUE(row);
    QTest::mousePress(row, Qt::LeftButton, {}, {8, 30});
    const double held = current();
    EXPECT_LT(held, 0.5 * before);
    app.bench().pointAt("rear lamp");  // all is said anew, and nothing else
    EXPECT_EQ(current(), held);
    for (const core::LampGroup& group : app.bench().job().groups)  // nothing was taken
        if (group.name == "rear lamp") {
            EXPECT_EQ(group.rows[0].resistor, core::Ohms{120});
        }
    QTest::mouseRelease(row, Qt::LeftButton, {}, {8, 30});
    EXPECT_EQ(current(), before);
    // The same by key.
    auto* use = row->findChild<QPushButton*>();
    use->setFocus();
    QTest::keyPress(use, Qt::Key_B);
    EXPECT_EQ(current(), held);
    QTest::keyRelease(use, Qt::Key_B);
    EXPECT_EQ(current(), before);
    QTest::keyPress(use, Qt::Key_B);
    app.find<QLineEdit>(u"jot"_s)->setFocus();
    EXPECT_EQ(current(), before);
    use->setFocus();
    QTest::keyPress(use, Qt::Key_B);
    EXPECT_EQ(current(), held);
    app.bench().goTo("decoder");  // its row is gone, or speaks of something else
    EXPECT_EQ(current(), before);
}
TEST(MainWindow, AFailureIsSeenInTheDarkUntilItIsLetGo) {
    OpenWindow app;
    app.press(Qt::Key_5, Qt::ControlModifier);
    app.bench().pointAt("rear lamp");
    OpenWindow::settle();
    auto* picture = app.window().findChild<PictureView*>();
    QTest::mouseClick(app.find<QToolButton>(u"pageFaults"_s), Qt::LeftButton);
    auto* faults = app.window().findChild<FaultTable*>()->focusProxy();
    faults->setFocus();
    QTest::keyClick(faults, Qt::Key_Down);
    EXPECT_TRUE(picture->dark());
    // An edit shows the job as it is again, and the light comes back.
    ASSERT_TRUE(app.bench().take(u"resistor rear 3k3"_s));
    OpenWindow::settle();
    EXPECT_FALSE(picture->dark());
    QTest::keyClick(faults, Qt::Key_Down);
    EXPECT_TRUE(picture->dark());
    ASSERT_TRUE(app.bench().take(u"remove rear"_s));  // the lamp itself
    OpenWindow::settle();
    EXPECT_FALSE(picture->dark());
    faults->setFocus();
    QTest::keyClick(faults, Qt::Key_Down);
    app.press(Qt::Key_3, Qt::ControlModifier);  // another stage
    EXPECT_FALSE(picture->dark());
}
TEST(MainWindow, SymbolsOfTheCircuitLeadToTheirData) {
    OpenWindow app;
    app.press(Qt::Key_5, Qt::ControlModifier);
    app.bench().pointAt("rear lamp");
    OpenWindow::settle();
    auto* schematic = app.find<Schematic>(u"schematic"_s);
    (void)schematic->grab();
    ASSERT_FALSE(schematic->symbols().empty());
    bool found = false;
    for (const Schematic::Symbol& symbol : schematic->symbols()) {
        if (!symbol.jot.startsWith(u"resistor"_s)) continue;
        QTest::mouseClick(schematic, Qt::LeftButton, {}, symbol.where.center().toPoint());
        QTest::keyClick(schematic, Qt::Key_Return);
        EXPECT_EQ(app.find<QLineEdit>(u"jot"_s)->text(), u"resistor rear lamp "_s);
        found = true;
        break;
    }
    EXPECT_TRUE(found);
}
TEST(MainWindow, TellsThatAnotherGlimmetHasTheFileAndOffersToRead) {
    OpenWindow app;
    MainWindow second(store::loadedCatalogue(u"/nonexistent"_s).catalogue);
    second.show();
    second.openWorkshop(app.path());
    EXPECT_TRUE(second.findChild<QLabel*>(u"noticeWords"_s)->text().contains(u"Another Glimmet"_s));
    QTest::mouseClick(second.findChild<QPushButton*>(u"noticeAction"_s), Qt::LeftButton);
    OpenWindow::settle();
    EXPECT_TRUE(second.bench().readOnly());
    EXPECT_EQ(second.bench().job().name, "No. 4 \"Ling\"");
    for (auto* use : second.findChildren<QPushButton*>()) {
        if (use->objectName().startsWith(u"use-"_s)) {
            EXPECT_FALSE(use->isEnabled());
        }
    }
}
TEST(MainWindow, SalvagesADamagedFileOnlyWhenAsked) {
    OpenWindow app(false);
    const QString path = app.file("hurt.glimmet");
    {
        const auto workshop = store::Workshop::open(path, store::Access::ReadWrite);
        EXPECT_TRUE((*workshop)
                        ->add(std::vector<core::Job>(30, tests::keptJobs()[0]), core::text("x"))
                        .has_value());
    }
    QByteArray bytes = tests::Scratch::contents(path);
    for (qsizetype at = bytes.size() / 2; at < bytes.size() / 2 + 8192; ++at)
        bytes[at] = static_cast<char>(at * 37);
    tests::Scratch::write(path, bytes);
    app.window().openWorkshop(path);
    EXPECT_NE(app.words(u"noticeWords"_s).find("is damaged"), std::string::npos);
    EXPECT_EQ(app.bench().workshop()->path(), app.path());  // what was open stays open
    QTest::mouseClick(app.find<QPushButton>(u"noticeAction"_s), Qt::LeftButton);
    EXPECT_TRUE(
        QTest::qWaitFor([&] { return app.bench().workshop()->path().contains(u"salvaged"_s); }));
    OpenWindow::settle();
    EXPECT_NE(app.words(u"noticeWords"_s).find("Salvaged into"), std::string::npos);
    EXPECT_EQ(tests::Scratch::contents(path), bytes);
}
TEST(MainWindow, LooksThroughALargeFileInTheBackground) {
    OpenWindow app(false);
    const QString large = app.file("large.glimmet");
    {
        const auto workshop = store::Workshop::open(large, store::Access::ReadWrite);
        // Large by its notes: many jobs would take long to be put there and to be looked through.
        core::Job job = tests::keptJobs()[0];
        job.notes.resize(10, {"2026-03-02", std::string(90000, 'x')});
        EXPECT_TRUE((*workshop)->add(std::vector<core::Job>(6, job), core::text("x")).has_value());
    }
    ASSERT_GT(QFileInfo(large).size(), 4 << 20);
    app.window().openWorkshop(large);
    EXPECT_NE(app.words(u"noticeWords"_s).find("Looking through"), std::string::npos);
    EXPECT_EQ(app.bench().workshop()->path(), app.path());  // not yet
    EXPECT_TRUE(QTest::qWaitFor([&] { return app.bench().workshop()->path() == large; }, 20000));
    EXPECT_EQ(app.bench().job().name, "No. 4 \"Ling\"");
    QByteArray bytes = tests::Scratch::contents(large);
    for (qsizetype at = bytes.size() / 2; at < bytes.size() / 2 + 8192; ++at)
        bytes[at] = static_cast<char>(at * 37);
    tests::Scratch::write(app.file("hurt.glimmet"), bytes);
    app.window().openWorkshop(app.file("hurt.glimmet"));
    EXPECT_TRUE(QTest::qWaitFor(
        [&] { return app.words(u"noticeWords"_s).find("is damaged") != std::string::npos; },
        20000));
}
TEST(MainWindow, TeachesOnAnEmptyShelfAndPutsTheFirstModelOnIt) {
    OpenWindow app(false);
    EXPECT_FALSE(app.words(u"invitation"_s).empty());
    QTest::mouseClick(app.find<QPushButton>(u"new-railbus"_s), Qt::LeftButton);
    OpenWindow::settle();
    EXPECT_EQ(app.bench().job().units.at(0).body.kind, "railbus");
    EXPECT_EQ(
        app.sentence(),
        "No decoder chosen. Nobody has read this motor; those of its kind stall at 1 A at the "
        "most, and that will do to choose by.");
    // Of an old open-frame motor the kind says too little: then it is to be measured, with care.
    app.jot(u"motor open-frame"_s);
    app.jot(u"decoder four-wire-1.0"_s);
    EXPECT_EQ(app.sentence().substr(0, 14), "Not known yet:");
    EXPECT_FALSE(app.words(u"caution"_s).empty());
}
TEST(MainWindow, KeepsABodyForOtherModels) {
    QFile own(store::userCatalogueFile());  // of the tests
    own.remove();
    OpenWindow app;
    app.jot(u"roof 60mm"_s);
    const auto keep = [&](const QString& title) {
        QTimer::singleShot(0, [&] {
            auto* dialog = qobject_cast<QInputDialog*>(QApplication::activeModalWidget());
            ASSERT_NE(dialog, nullptr);
            dialog->setTextValue(title);
            dialog->accept();
        });
        for (QAction* each : app.window().findChildren<QAction*>()) {
            if (each->text().contains(u"body for others"_s)) each->trigger();
        }
        OpenWindow::settle();
    };
    keep(u"Harbour shunter"_s);
    EXPECT_NE(app.words(u"noticeWords"_s).find("stands among the shapes"), std::string::npos)
        << app.words(u"noticeWords"_s);
    keep(u"Dock shunter"_s);
    EXPECT_NE(app.words(u"noticeWords"_s).find("already"), std::string::npos);
    app.press(Qt::Key_N, Qt::ControlModifier);
    QTest::mouseClick(app.find<QPushButton>(u"new-harbour-shunter"_s), Qt::LeftButton);
    OpenWindow::settle();
    EXPECT_EQ(app.bench().job().units[0].body.kind, "harbour-shunter");
    EXPECT_NEAR(app.bench().job().units[0].body.height.value(), 60, 0.02);
    app.jot(u"body railbus"_s);
    app.jot(u"body harbour-shunter"_s);  // it can be typed as well
    EXPECT_EQ(app.bench().job().units[0].body.kind, "harbour-shunter");
    EXPECT_TRUE(own.remove());
}
TEST(MainWindow, KeepsALampThatWasReadForOtherModels) {
    QFile own(store::userCatalogueFile());  // of the tests
    own.remove();
    OpenWindow app;
    const auto keep = [&](const QString& title) {
        QTimer::singleShot(0, [&] {
            auto* dialog = qobject_cast<QInputDialog*>(QApplication::activeModalWidget());
            if (!dialog) return;
            dialog->setTextValue(title);
            dialog->accept();
        });
        for (QAction* each : app.window().findChildren<QAction*>()) {
            if (each->text().contains(u"lamp for others"_s)) each->trigger();
        }
        OpenWindow::settle();
    };
    app.press(Qt::Key_N, Qt::ControlModifier);
    QTest::mouseClick(app.find<QPushButton>(u"new-dock-shunter"_s), Qt::LeftButton);
    OpenWindow::settle();
    app.jot(u"lamp cab warm white"_s);
    keep(u"Quay lantern"_s);
    EXPECT_NE(app.words(u"noticeWords"_s).find("wired front"), std::string::npos);
    EXPECT_FALSE(own.exists());
    app.jot(u"wired cab 12V 6mA 16V 8.6mA"_s);
    const core::LampPart read = app.bench().job().groups.back().rows[0].lamps[0].part;
    keep(u"Quay lantern"_s);
    EXPECT_NE(app.words(u"noticeWords"_s).find("lamp front quay-lantern"), std::string::npos)
        << app.words(u"noticeWords"_s);
    keep(u"quay-lantern"_s);
    EXPECT_NE(app.words(u"noticeWords"_s).find("already"), std::string::npos);
    app.jot(u"lamp rear quay-lantern called stern light"_s);
    const core::LampPart& part = app.bench().job().groups.back().rows[0].lamps[0].part;
    EXPECT_EQ(part.name, "Quay lantern");
    EXPECT_EQ(part.forward, read.forward);
    EXPECT_EQ(part.series, read.series);
    // And after another start.
    EXPECT_NE(core::lampNamed(store::loadedCatalogue(store::userCatalogueFile()).catalogue,
                              "quay-lantern"),
              nullptr);
    EXPECT_TRUE(own.remove());
}
TEST(MainWindow, ListsWhatCanBeTypedOneKeyAway) {
    OpenWindow app;
    app.press(Qt::Key_F1);
    ASSERT_NE(app.window().findChild<QWidget*>(u"jotList"_s), nullptr);
    EXPECT_TRUE(app.find<QWidget>(u"jotList"_s)->isVisible());
    app.press(Qt::Key_F1);
    EXPECT_FALSE(app.find<QWidget>(u"jotList"_s)->isVisible());
}
TEST(MainWindow, SavesASheetAsWhatItsNameEndsIn) {
    OpenWindow app;
    auto* files = app.window().findChild<WorkshopFiles*>();
    const core::SheetKind& wiring = *core::sheetKind("wiring");
    const auto written = [&](const char* name) {
        files->saveSheetTo(wiring, app.file(name));
        QFile file(app.file(name));
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    };
    const QByteArray title = ("Wiring of " + app.bench().job().name).c_str();
    EXPECT_TRUE(written("a.pdf").startsWith("%PDF-"));
    EXPECT_TRUE(written("a.html").startsWith("<!DOCTYPE html>"));
    EXPECT_TRUE(written("a.txt").startsWith(title));
    EXPECT_NE(app.words(u"noticeWords"_s).find("a.txt"), std::string::npos);
    EXPECT_TRUE(written("no such folder/a.pdf").isEmpty());
    EXPECT_NE(app.words(u"noticeWords"_s).find("could not be written"), std::string::npos);
    // Each kind has its entry in the menu.
    QStringList entries;
    for (const QMenu* menu : app.window().findChildren<QMenu*>()) {
        for (const QAction* action : menu->actions()) entries << action->text();
    }
    for (const core::SheetKind& kind : core::sheetKinds())
        EXPECT_TRUE(entries.contains(QString::fromUtf8(kind.title) + u"…"_s));
}
TEST(MainWindow, RemembersThemeAndRecentFiles) {
    OpenWindow app;
    app.press(Qt::Key_T, Qt::ControlModifier);
    EXPECT_TRUE(theme().night);
    app.window().close();
    app.reopen();
    EXPECT_TRUE(theme().night);
    EXPECT_TRUE(QSettings().value(u"workshops/recent"_s).toStringList().contains(app.path()));
    app.window().setNight(false);
    app.window().close();
}
TEST(MainWindow, TakesNamesAndNotesOfAnyScriptAndLength) {
    OpenWindow app;
    auto* field = app.find<QLineEdit>(u"jot"_s);
    const QString note = u"note "_s + QString(10000, u'ø') + u" 🚂 مرحبا"_s;
    field->setText(note);
    QTest::keyClick(field, Qt::Key_Return);
    OpenWindow::settle();
    EXPECT_EQ(QString::fromStdString(app.bench().job().notes.back().words), note.mid(5));
    field->setText(u"name 🚂 مرحبا \"Ling\""_s);
    QTest::keyClick(field, Qt::Key_Return);
    OpenWindow::settle();
    EXPECT_TRUE(app.window().windowTitle().startsWith(u"🚂 مرحبا"_s));
    // The name is painted: the shelf without it looks different.
    auto* shelf = app.find<QListView>(u"shelfList"_s);
    const QImage painted = shelf->grab().toImage();
    field->setText(u"name Ling"_s);
    QTest::keyClick(field, Qt::Key_Return);
    OpenWindow::settle();
    EXPECT_NE(shelf->grab().toImage(), painted);
}
TEST(MainWindow, ShowsANoteAtOnceAndStaysInItsStage) {
    OpenWindow app;
    app.press(Qt::Key_5, Qt::ControlModifier);
    app.jot(u"note brush spring replaced"_s);
    EXPECT_EQ(app.bench().stage(), "lamps");
    EXPECT_TRUE(app.find<QLabel>(u"recordLine"_s)->isVisible());
    QStringList lines;
    for (const auto* label : app.window().findChildren<QLabel*>(u"recordLine"_s))
        lines.append(label->text());
    EXPECT_TRUE(lines.first().startsWith(u"Owner: Harbourmaster"_s));
    EXPECT_TRUE(lines.filter(u"brush spring replaced"_s).size() == 1);
}
TEST(MainWindow, HoldsEveryPageOfABuildingsLampsOnASmallScreen) {
    OpenWindow app;
    for (const auto& line : {u"motor none"_s, u"decoder none"_s, u"body lighthouse"_s,
                             u"supply ac 16V"_s, u"rectifier silicon"_s, u"smoothing 47uF 35V"_s,
                             u"lamp lantern white 3.0V 20mA"_s, u"resistor lantern 3k9"_s}) {
        app.jot(line);
    }
    app.bench().goTo("lamps");
    // Whichever lamp is in question: no circuit has more pages than all of them.
    for (const QString& page : {u"pageCircuit"_s, u"pageVolts"_s, u"pageDirt"_s}) {
        app.find<QAbstractButton>(page)->show();
    }
    app.window().resize(1280, 720);
    OpenWindow::settle();
    EXPECT_EQ(app.window().size(), QSize(1280, 720));
}
TEST(MainWindow, HoldsEverythingOnASmallScreen) {
    OpenWindow app;
    for (const QSize size : {QSize(1280, 720), QSize(1366, 768)}) {
        for (const StageView& view : stageViews()) {
            app.bench().goTo(view.stage);
            app.window().resize(size);
            OpenWindow::settle();
            EXPECT_EQ(app.window().size(), size) << view.stage;
            const auto* jot = app.find<QLineEdit>(u"jot"_s);
            const QRect where(jot->mapTo(&app.window(), QPoint()), jot->size());
            EXPECT_TRUE(app.window().rect().contains(where)) << view.stage;
            EXPECT_GE(app.find<PictureView>(u"picture"_s)->height(), 180);
        }
    }
    // Nor does the bench without a model ask for more.
    while (app.bench().hasJob()) app.bench().takeOffShelf();
    EXPECT_FALSE(app.bench().hasJob());
    app.window().resize(1280, 720);
    OpenWindow::settle();
    EXPECT_EQ(app.window().size(), QSize(1280, 720));
}
TEST(MainWindow, TheWorkshopItselfIsPulledForwardAndSetsTheRules) {
    OpenWindow app;
    auto* list = app.find<QListView>(u"shelfList"_s);
    EXPECT_EQ(list->model()->index(0, 0).data().toString(), u"Workshop"_s);
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {},
                      list->visualRect(list->model()->index(0, 0)).center());
    OpenWindow::settle();
    EXPECT_TRUE(app.bench().onWorkshop());
    EXPECT_EQ(app.bench().stage(), "rules");
    EXPECT_TRUE(app.window().windowTitle().startsWith(u"Workshop · House"_s));
    EXPECT_EQ(app.sentence().substr(0, 6), "Slip: ");
    // A line about a model is refused here, one about the house is taken.
    app.jot(u"stall 1.3A 12V"_s);
    EXPECT_EQ(app.bench().workshopRecord(), core::WorkshopRecord());
    app.find<QLineEdit>(u"jot"_s)->clear();
    app.jot(u"rule strict"_s);
    EXPECT_EQ(app.bench().workshopRecord().house.rule, core::RatingRule::Strict);
    EXPECT_EQ(app.sentence().substr(0, 8), "Strict: ");
    EXPECT_TRUE(app.bench().undoable().undo.has_value());
    // The job is judged by it, and its mark on the shelf follows.
    QTest::mouseClick(list->viewport(), Qt::LeftButton, {},
                      list->visualRect(list->model()->index(1, 0)).center());
    OpenWindow::settle();
    EXPECT_FALSE(app.bench().onWorkshop());
    EXPECT_EQ(app.bench().stage(), "decoder");
    EXPECT_EQ(app.bench().spoken()->state, core::State::Over);
    EXPECT_TRUE(QTest::qWaitFor(
        [&] {
            return list->model()->index(1, 0).data(ShelfModel::StateRole).toInt() ==
                   static_cast<int>(core::State::Over);
        },
        5000));
    EXPECT_FALSE(app.bench().undoable().undo.has_value());  // of the job nothing was changed
    app.press(Qt::Key_H, Qt::ControlModifier);
    app.press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(app.bench().workshopRecord(), core::WorkshopRecord());
    app.press(Qt::Key_1, Qt::ControlModifier);
    EXPECT_FALSE(app.bench().onWorkshop());
    EXPECT_EQ(app.bench().spoken()->state, core::State::Fine);
}
TEST(BodyChooser, IsOneKeyAwayFindsByWordsAndLeavesWithEscape) {
    OpenWindow app;
    const std::string before = app.bench().job().name;
    app.press(Qt::Key_N, Qt::ControlModifier);
    auto* search = app.find<QLineEdit>(u"bodySearch"_s);
    EXPECT_TRUE(search->isVisible());
    EXPECT_TRUE(search->hasFocus());
    const auto shown = [&] {
        QStringList names;
        for (const auto& drawing : app.bench().catalogue().bodies) {
            const auto* tile = app.find<QPushButton>(u"new-"_s + qs(drawing.id));
            if (tile->isVisible()) names << qs(drawing.id);
        }
        return names;
    };
    EXPECT_EQ(shown().size(), static_cast<qsizetype>(app.bench().catalogue().bodies.size()));
    QTest::keyClicks(search, u"VAN"_s);
    EXPECT_EQ(shown(), (QStringList{u"luggage-van"_s, u"box-van"_s, u"brake-van"_s}));
    QTest::keyClicks(search, u"xyz"_s);
    EXPECT_TRUE(shown().isEmpty());
    QTest::keyClick(search, Qt::Key_Escape);
    EXPECT_FALSE(search->isVisible());
    EXPECT_EQ(app.bench().job().name, before);
    app.press(Qt::Key_N, Qt::ControlModifier);
    QTest::keyClicks(search, u"tram"_s);
    QTest::keyClick(search, Qt::Key_Return);
    EXPECT_EQ(tests::body(app.bench().job()).kind, "tram");
    EXPECT_FALSE(search->isVisible());
}
TEST(StageViews, AreThereForEveryRoomInItsOrder) {
    std::vector<std::string_view> rooms, views;
    for (const core::JobStage& room : core::jobStages()) rooms.push_back(room.name);
    for (const StageView& view : stageViews()) {
        views.push_back(view.stage);
        EXPECT_FALSE(stageTitle(view.stage).isEmpty());
        EXPECT_FALSE(QString::fromUtf8(view.empty).isEmpty());
        EXPECT_FALSE(view.shots.empty());
    }
    EXPECT_EQ(rooms, views);
}
TEST(MainWindow, StepsAlongTheLineOfWork) {
    OpenWindow app;
    EXPECT_EQ(app.bench().stage(), "decoder");
    app.press(Qt::Key_PageUp, Qt::ControlModifier);
    EXPECT_EQ(app.bench().stage(), "measure");
    app.press(Qt::Key_PageDown, Qt::ControlModifier);
    app.press(Qt::Key_PageDown, Qt::ControlModifier);
    EXPECT_EQ(app.bench().stage(), "lamps");
    for (std::size_t i = 0; i < core::jobStages().size(); ++i) {
        app.press(Qt::Key_PageDown, Qt::ControlModifier);
    }
    EXPECT_EQ(app.bench().stage(), core::jobStages().back().name);
    app.press(Qt::Key_1, Qt::ControlModifier);
    EXPECT_EQ(app.bench().stage(), "intake");
    // And by the jot line, which changes nothing.
    const core::Job before = app.bench().job();
    const bool undoable = app.bench().undoable().undo.has_value();
    app.jot(u"go lamps"_s);
    EXPECT_EQ(app.bench().stage(), "lamps");
    app.jot(u"go to Stay-alive"_s);
    EXPECT_EQ(app.bench().stage(), "stay-alive");
    EXPECT_TRUE(app.bench().job() == before);
    EXPECT_EQ(app.bench().undoable().undo.has_value(), undoable);
}
TEST(MainWindow, GoesToNoStageThatTheModelDoesNotHave) {
    OpenWindow app;
    ASSERT_TRUE(
        app.bench().addJob(tests::newJob("Holm Light", "lighthouse"), core::text("New job")));
    const auto jobs = app.bench().workshop()->jobs();
    for (const store::JobEntry& job : *jobs) {
        app.bench().openJob(job.id);
        OpenWindow::settle();
        int number = 1;
        for (const core::JobStage& room : core::jobStages()) {
            app.bench().goTo("lamps");
            // Nine by Ctrl, those behind them by Alt from 0.
            const bool first = number < 10;
            app.press(static_cast<Qt::Key>(first ? Qt::Key_0 + number : Qt::Key_0 + number - 10),
                      first ? Qt::ControlModifier : Qt::AltModifier);
            ++number;
            EXPECT_EQ(app.bench().stage(), room.applies(app.bench().job()) ? room.name : "lamps")
                << job.name;
        }
    }
}
TEST(MainWindow, GivesEveryControlAName) {
    OpenWindow app;
    for (const StageView& view : stageViews()) {
        app.bench().goTo(view.stage);
        OpenWindow::settle();
        for (auto* button : app.window().findChildren<QAbstractButton*>()) {
            if (!button->isVisible() || button->objectName() == u"qt_toolbar_ext_button"_s)
                continue;
            const bool named = !button->accessibleName().isEmpty() || !button->text().isEmpty() ||
                               qobject_cast<QLineEdit*>(button->parentWidget());
            EXPECT_TRUE(named) << button->metaObject()->className()
                               << button->objectName().toStdString();
        }
    }
}
TEST(MainWindow, KeepsWordsLegibleInBothThemes) {
    // Contrast by WCAG 2: (L1 + 0.05)/(L2 + 0.05) of relative luminances; 4.5 for words.
    const auto luminance = [](const QColor& colour) {
        const auto linear = [](double c) {
            return c <= 0.03928 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
        };
        return 0.2126 * linear(colour.redF()) + 0.7152 * linear(colour.greenF()) +
               0.0722 * linear(colour.blueF());
    };
    const auto contrast = [&](const QColor& a, const QColor& b) {
        const double x = luminance(a) + 0.05;
        const double y = luminance(b) + 0.05;
        return x > y ? x / y : y / x;
    };
    for (const bool night : {false, true}) {
        useTheme(night);
        const Theme& t = theme();
        for (const QColor& words : {t.ink, t.inkSoft, t.fine, t.close, t.over, t.ask, t.brass}) {
            EXPECT_GE(contrast(words, t.paper), 4.5) << words.name().toStdString() << night;
            EXPECT_GE(contrast(words, t.paperRaised), 4.5) << words.name().toStdString() << night;
        }
        EXPECT_GE(contrast(t.matInk, t.mat), 4.5);
        EXPECT_GE(contrast(t.matInk, t.hollow), 4.5);
        EXPECT_GE(contrast(t.onBrass, t.brass), 4.5);
    }
    useTheme(false);
}

TEST(MainWindow, ADistrictIsMadeAndJudgedByWhatItsModelsTake) {
    OpenWindow app;
    app.bench().openWorkshopRecord();
    app.jot(u"district quay 1A"_s);
    app.jot(u"runs Ling on quay"_s);
    EXPECT_TRUE(app.sentence().starts_with("quay carries ")) << app.sentence();
    auto* row = app.find<QAbstractButton>(u"district-quay"_s);
    EXPECT_TRUE(row->isVisible());
    EXPECT_TRUE(row->accessibleName().contains(u"800 mA"_s)) << row->accessibleName().toStdString();
    // Another model more; the sentence follows, and undo takes it off again.
    const std::string before = app.sentence();
    app.jot(u"runs Tern on quay"_s);
    EXPECT_NE(app.sentence(), before);
    ASSERT_TRUE(app.bench().undo());
    OpenWindow::settle();
    EXPECT_EQ(app.bench().workshopRecord().districts[0].models.size(), 1U);
    // What is said of a model on the bench is what its district reckons with.
    app.bench().openJob(app.bench().workshop()->jobs()->front().id);
    ASSERT_TRUE(app.bench().take(u"haul 2.5A 12V"_s));
    app.bench().openWorkshopRecord();
    app.bench().goTo("district");
    OpenWindow::settle();
    EXPECT_NE(app.sentence().find("carries too much"), std::string::npos) << app.sentence();
}
TEST(MainWindow, ADistrictOfJobsThatAreGoneIsShownWithoutThem) {
    OpenWindow app;
    core::WorkshopRecord record = app.bench().workshopRecord();
    record.districts = {{"quay", core::Amperes{3}, core::Amperes{4}, {}, {{999}}}};
    ASSERT_TRUE(app.bench().workshop()->recordWorkshop({{record, core::text("x")}}));
    app.bench().setWorkshop(std::move(*store::Workshop::open(app.path(), store::Access::ReadOnly)));
    app.bench().openWorkshopRecord();
    app.bench().goTo("district");
    OpenWindow::settle();
    EXPECT_TRUE(app.find<QAbstractButton>(u"district-quay"_s)->accessibleName().contains(u"0 A"_s));
}

}  // namespace
}  // namespace glimmet::app
