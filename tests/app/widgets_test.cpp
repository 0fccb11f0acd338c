// The parts of the window one by one.
#include "app/decoder/decoder_rack.h"
#include "app/first_power/first_power_view.h"
#include "app/fit/fit_panel.h"
#include "app/frame/jot_line.h"
#include "app/frame/jot_list.h"
#include "app/frame/line_of_work.h"
#include "app/frame/reckoning_panel.h"
#include "app/hand_over/hand_over_view.h"
#include "app/lamps/fault_table.h"
#include "app/lamps/gap_plot.h"
#include "app/lamps/lamps_panel.h"
#include "app/lamps/mismatch_rows.h"
#include "app/lamps/schematic.h"
#include "app/lamps/tester_table.h"
#include "app/measure/motor_plot.h"
#include "app/meter/meter_panel.h"
#include "app/plot/plot.h"
#include "app/rules/rules_panel.h"
#include "app/run_in/run_in_view.h"
#include "app/settings/settings_view.h"
#include "app/stay_alive/bank_drawing.h"
#include "app/stay_alive/crossing_plot.h"
#include "app/stay_alive/hold_plot.h"
#include "app/stay_alive/speed_column.h"
#include "app/stay_alive/stay_alive_panel.h"
#include "app/table/table.h"
#include "app/theme/state_mark.h"
#include "app/theme/theme.h"
#include "app/theme/words.h"
#include "app/wire/wire_view.h"
#include "core/analysis/stay_alive/consequences.h"
#include "core/work/stage_status.h"
#include "core/work/stay_alive/bank_cells.h"
#include "support/sample_jobs.h"

#include <QAbstractButton>
#include <QDoubleSpinBox>
#include <QHelpEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QSignalSpy>
#include <QTableView>
#include <QTemporaryDir>
#include <QTest>
#include <QTextBrowser>
#include <QToolButton>
#include <QToolTip>
#include <qcustomplot.h>

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using tests::jotted;
using tests::shunter;

constexpr core::State everyState[] = {core::State::Fine, core::State::Close, core::State::Ask,
                                      core::State::Over};

/// The widget in grey: what is left of it when colours are not told apart.
QImage grey(QWidget& widget) {
    return widget.grab().toImage().convertToFormat(QImage::Format_Grayscale8);
}

int differing(const QImage& a, const QImage& b) {
    int count = 0;
    for (int y = 0; y < qMin(a.height(), b.height()); ++y) {
        for (int x = 0; x < qMin(a.width(), b.width()); ++x) {
            count += std::abs(qGray(a.pixel(x, y)) - qGray(b.pixel(x, y))) > 60;
        }
    }
    return count;
}

TEST(StateMark, HasAShapeOfItsOwnForEachStateNotOnlyAColour) {
    for (const core::State a : everyState) {
        for (const core::State b : everyState) {
            if (a == b) continue;
            StateMark first(a);
            StateMark second(b);
            first.resize(36, 20);  // the vial without its word
            second.resize(36, 20);
            EXPECT_GT(differing(grey(first), grey(second)), 12)
                << static_cast<int>(a) << static_cast<int>(b);
        }
    }
}
TEST(StateMark, AlwaysHasItsWord) {
    for (const core::State state : everyState) {
        const StateMark mark(state);
        EXPECT_EQ(mark.accessibleName(), stateWord(state));
        EXPECT_GT(mark.sizeHint().width(), 60);
    }
}

TEST(Words, FillInSentencesAndKeepNumbersWithTheirUnits) {
    EXPECT_EQ(said(core::text("%1 of %2", "a", "%1")), u"a of %1"_s);
    EXPECT_EQ(unbroken(u"takes 4.7 kΩ or 20 mA, 12 V at 3 places"_s),
              u"takes 4.7\u00a0kΩ or 20\u00a0mA, 12\u00a0V at 3 places"_s);
    EXPECT_EQ(formulaRich(u"V_bus < 5 V"_s), u"V<i>bus</i> &lt; 5\u00a0V"_s);
    EXPECT_EQ(jobCount(1), u"1 job"_s);
    EXPECT_EQ(jobCount(12), u"12 jobs"_s);
}
TEST(Words, SayOfAFigureWhatItRestsOn) {
    const QString tip =
        figureTip(core::figures::assumed(core::text("Rectifier <drop>"), "V_rect", core::Volts{1.2},
                                         core::text("two silicon diodes")));
    EXPECT_TRUE(tip.contains(u"assumed: two silicon diodes"_s));
    EXPECT_TRUE(tip.contains(u"&lt;drop&gt;"_s));
}
TEST(Theme, HasTheStandardsWireColours) {
    for (const QString& name : {u"red"_s, u"black"_s, u"orange"_s, u"grey"_s, u"blue"_s, u"white"_s,
                                u"yellow"_s, u"green"_s, u"violet"_s}) {
        EXPECT_NE(wireColour(name), wireColour(u"no such colour"_s)) << name.toStdString();
    }
}
TEST(Theme, LightsLampsInTheirColours) {
    EXPECT_GT(lampColour(core::LedFamily::Red, "").red(),
              2 * lampColour(core::LedFamily::Red, "").green());
    EXPECT_GT(lampColour(core::LedFamily::Blue, "").blue(),
              lampColour(core::LedFamily::Blue, "").red());
    const QColor warm = lampColour(core::LedFamily::White, "warm");
    const QColor cool = lampColour(core::LedFamily::White, "cool");
    EXPECT_GT(warm.red() - warm.blue(), 30);
    EXPECT_GT(cool.blue() - cool.red(), 10);
}

core::Finding sampleFinding(core::State state) {
    core::Finding finding;
    finding.id = "sample";
    finding.state = state;
    finding.sentence = core::text("It draws %1.", "1.4 A");
    finding.figures = {core::figures::computed(
        core::text("Sum"), "S", core::Volts{5}, "A + B",
        {core::figures::assumed(core::text("First"), "A", core::Volts{2}, core::text("usual"),
                                "first "),
         core::figures::measured(core::text("Second"), "B", core::Volts{3}, "2026-03-02", {})})};
    finding.options = {
        {core::text("keep"), core::text("as it is"), core::State::Fine, "keep it", true},
        {core::text("change"), core::text("better"), core::State::Fine, "change it", false}};
    return finding;
}
QAbstractButton* button(QWidget& in, const char* name) {
    return in.findChild<QAbstractButton*>(QString::fromUtf8(name));
}

TEST(ReckoningPanel, SaysSentenceFiguresBecauseAndWhatThatRestsOn) {
    ReckoningPanel panel;
    panel.resize(366, 900);
    const core::Finding finding = sampleFinding(core::State::Fine);
    panel.show(&finding, {}, {}, false);
    panel.QWidget::show();
    EXPECT_EQ(panel.findChild<QLabel*>(u"sentence"_s)->text(), u"It draws 1.4\u00a0A."_s);
    EXPECT_TRUE(
        panel.findChild<QLabel*>(u"because-S"_s)->text().contains(u"2\u00a0V + 3\u00a0V"_s));
    EXPECT_EQ(button(panel, "figure-A")->accessibleName(), u"First: 2 V, assumed: usual"_s);
    EXPECT_EQ(button(panel, "figure-B")->focusPolicy(), Qt::NoFocus);  // nothing to press
    EXPECT_FALSE(panel.findChild<QLabel*>(u"caution"_s)->isVisible());
}
TEST(ReckoningPanel, PutsOptionsBeforeBecauseOnlyWhereSomethingIsToBeDone) {
    ReckoningPanel panel;
    panel.resize(366, 900);
    panel.QWidget::show();
    const auto optionAboveBecause = [&](core::State state) {
        const core::Finding finding = sampleFinding(state);
        panel.show(&finding, {}, {}, false);
        QTest::qWait(10);
        const auto* option = button(panel, "use-change it");
        const auto* because = panel.findChild<QLabel*>(u"because-S"_s);
        return option->mapTo(panel.widget(), QPoint()).y() <
               because->mapTo(panel.widget(), QPoint()).y();
    };
    EXPECT_FALSE(optionAboveBecause(core::State::Fine));
    EXPECT_TRUE(optionAboveBecause(core::State::Over));
    EXPECT_TRUE(optionAboveBecause(core::State::Ask));
    EXPECT_FALSE(optionAboveBecause(core::State::Fine));
}
TEST(ReckoningPanel, TakesAnOptionByMouseAndByKeyboardButNotWhatIsInPlace) {
    ReckoningPanel panel;
    panel.QWidget::show();
    const core::Finding finding = sampleFinding(core::State::Over);
    panel.show(&finding, {}, {}, false);
    QSignalSpy taken(&panel, &ReckoningPanel::optionTaken);
    QTest::mouseClick(button(panel, "use-change it"), Qt::LeftButton);
    QTest::keyClick(button(panel, "use-change it"), Qt::Key_Space);
    ASSERT_EQ(taken.count(), 2);
    EXPECT_EQ(taken.at(1).at(0).toString(), u"change it"_s);
    EXPECT_FALSE(button(panel, "use-keep it")->isVisible());
    panel.show(&finding, {}, {}, true);
    EXPECT_FALSE(button(panel, "use-change it")->isEnabled());  // read-only
}
TEST(ReckoningPanel, LeadsToFiguresAndOtherFindings) {
    ReckoningPanel panel;
    panel.QWidget::show();
    const core::Finding finding = sampleFinding(core::State::Fine);
    core::Finding other = sampleFinding(core::State::Close);
    other.id = "other";
    panel.show(&finding, {&other}, {}, false);
    QSignalSpy figure(&panel, &ReckoningPanel::figureChosen);
    QSignalSpy found(&panel, &ReckoningPanel::findingChosen);
    QTest::keyClick(button(panel, "figure-A"), Qt::Key_Space);
    QTest::mouseClick(button(panel, "finding-other"), Qt::LeftButton);
    ASSERT_EQ(figure.count(), 1);
    EXPECT_EQ(figure.at(0).at(0).toString(), u"first "_s);
    ASSERT_EQ(found.count(), 1);
    EXPECT_EQ(found.at(0).at(0).toString(), u"other"_s);
}
TEST(ReckoningPanel, KeepsTheFocusOnARowThatStays) {
    ReckoningPanel panel;
    panel.QWidget::show();
    panel.activateWindow();
    ASSERT_TRUE(QTest::qWaitForWindowActive(&panel));
    const core::Finding finding = sampleFinding(core::State::Fine);
    panel.show(&finding, {}, {}, false);
    button(panel, "figure-A")->setFocus();
    core::Finding changed = finding;
    changed.sentence = core::text("Otherwise.");
    panel.show(&changed, {}, {}, false);
    EXPECT_TRUE(button(panel, "figure-A")->hasFocus());
    panel.show(nullptr, {}, u"Nothing yet."_s, false);
    EXPECT_EQ(panel.findChild<QLabel*>(u"sentence"_s)->text(), u"Nothing yet."_s);
    EXPECT_EQ(button(panel, "figure-A"), nullptr);  // what is not shown goes by no name
}

/// A row or a cell of a table, and a press there.
QTableView& gridOf(const Table& table) { return *table.findChild<QTableView*>(); }
QRect cellOf(const Table& table, int row, int column = 0) {
    const QTableView& grid = gridOf(table);
    return grid.visualRect(grid.model()->index(row, column));
}
void pressAt(const Table& table, const QPoint& at) {
    QTest::mouseClick(gridOf(table).viewport(), Qt::LeftButton, {}, at);
}
void pressRow(const Table& table, int row) { pressAt(table, cellOf(table, row).center()); }
TEST(FitPanel, TellsTheRoomOfEachThingAndOffersToMoveIt) {
    FitPanel panel;
    panel.resize(760, 270);
    panel.QWidget::show();
    core::Job job = jotted(shunter(), {"decoder small", "add speaker 12x10x6"});
    panel.show(tests::factsOf(job), {}, {});
    const auto& table = *panel.findChild<Table*>(u"fitTable"_s);
    const auto cell = [&](std::size_t row, std::size_t column) {
        return table.content().rows.at(row).cells.at(column);
    };
    const auto rowOf = [&](const QString& kind) {
        for (std::size_t i = 0; i < table.content().rows.size(); ++i) {
            if (cell(i, 0).words == kind) return i;
        }
        return std::size_t{99};
    };
    const std::size_t speaker = rowOf(u"speaker"_s);
    EXPECT_EQ(cell(speaker, 2).words, u"12 × 10 × 6 mm"_s);
    EXPECT_TRUE(cell(speaker, 3).words.contains(u"to spare in"_s));
    EXPECT_EQ(cell(speaker, 1).below, u"found for it"_s);
    QSignalSpy offered(&panel, &FitPanel::jotOffered);
    pressRow(table, static_cast<int>(speaker));
    ASSERT_EQ(offered.count(), 1);
    EXPECT_EQ(offered[0][0].toString(), u"fit %1 in "_s.arg(qs(job.items[0].id)));
    job = jotted(job, {"fit speaker in cab floor", "add board 90x30x20"});
    panel.show(tests::factsOf(job), {}, {});
    EXPECT_EQ(cell(rowOf(u"speaker"_s), 1).words, u"cab floor"_s);
    EXPECT_EQ(cell(rowOf(u"speaker"_s), 1).below, u"put there"_s);
    const std::size_t board = rowOf(u"board"_s);
    EXPECT_EQ(cell(board, 1).words, u"nowhere"_s);
    EXPECT_TRUE(cell(board, 3).words.startsWith(u"lacks "_s));
    EXPECT_EQ(cell(board, 3).below, u"even alone"_s);
    EXPECT_EQ(table.content().rows[board].mark, core::State::Ask);
}
/// Of a panel of pages: the words of a table's cells in a column.
QStringList columnOf(const QWidget& panel, const QString& table, std::size_t column) {
    QStringList all;
    for (const TableRow& row : panel.findChild<Table*>(table)->content().rows)
        all.append(row.cells.at(column).words);
    return all;
}
std::unique_ptr<StagePanel> shown(StagePanel* (*make)(QWidget*), const core::JobAnalysis& facts) {
    std::unique_ptr<StagePanel> panel(make(nullptr));
    panel->resize(760, 300);
    panel->QWidget::show();
    panel->show(facts, {}, {});
    return panel;
}
TEST(PagesPanel, TurnsToAPageAndTakesTheLineOfARow) {
    const core::Job job = jotted(shunter(), {"decoder small", "step open done 5min"});
    const auto panel = shown(wirePanel, tests::factsOf(job));
    const Table& steps = *panel->findChild<Table*>(u"stepsTable"_s);
    EXPECT_EQ(steps.content().rows.at(0).cells.at(2).words, u"done, 5 min"_s);
    EXPECT_EQ(steps.content().rows.at(0).line, u"step open open"_s);
    EXPECT_TRUE(steps.content().rows.at(1).chosen);
    QSignalSpy taken(panel.get(), &StagePanel::jotChosen);
    pressRow(steps, 1);
    ASSERT_EQ(taken.count(), 1);
    EXPECT_EQ(taken[0][0].toString(), u"step isolate done"_s);
    EXPECT_FALSE(panel->findChild<Table*>(u"wiresTable"_s)->isVisible());
    QTest::mouseClick(button(*panel, "wiresTablePage"), Qt::LeftButton);
    EXPECT_TRUE(panel->findChild<Table*>(u"wiresTable"_s)->isVisible());
    EXPECT_FALSE(steps.isVisible());
    EXPECT_TRUE(columnOf(*panel, u"wiresTable"_s, 0).contains(u"orange"_s));
    EXPECT_EQ(panel->findChild<Table*>(u"couplingsTable"_s)->content().empty,
              u"It is one unit: nothing goes over a coupling."_s);
}
TEST(MeterPanel, EntersAPairByAKey) {
    MeterPanel panel;
    panel.resize(760, 300);
    panel.QWidget::show();
    core::Job job = jotted(shunter(), {"decoder small"});
    panel.show(tests::factsOf(job), {}, {});
    const Table& pairs = *panel.findChild<Table*>(u"pairsTable"_s);
    EXPECT_TRUE(pairs.content().rows.at(0).chosen);
    QSignalSpy taken(&panel, &MeterPanel::jotChosen), offered(&panel, &MeterPanel::jotOffered);
    QTest::keyClick(&gridOf(pairs), Qt::Key_G);
    ASSERT_EQ(taken.count(), 1);
    EXPECT_EQ(taken[0][0].toString(), u"probe U1.left to U1.right open"_s);
    QTest::keyClick(&gridOf(pairs), Qt::Key_B);
    EXPECT_EQ(taken[1][0].toString(), u"probe U1.left to U1.right beep"_s);
    QTest::keyClick(&gridOf(pairs), Qt::Key_O);
    ASSERT_EQ(offered.count(), 1);
    EXPECT_EQ(offered[0][0].toString(), u"probe U1.left to U1.right "_s);
    // The next one is where the work is now.
    job = jotted(job, {"left rail to right rail open"});
    panel.show(tests::factsOf(job), {}, {});
    QTest::keyClick(&gridOf(pairs), Qt::Key_G);
    EXPECT_EQ(taken[2][0].toString(), u"probe M2.plus to U1.frame open"_s);
    job = jotted(job, {"brush to frame 0.4 ohms"});
    panel.show(tests::factsOf(job), {}, {});
    EXPECT_EQ(pairs.content().rows.at(1).mark, core::State::Over);
    EXPECT_EQ(pairs.content().rows.at(1).cells.at(2).words, u"0.4 Ω"_s);
}
TEST(FirstPowerPanel, SaysWhatToLookForAndWhatWasSeen) {
    const core::Job job = jotted(shunter(), {"decoder small", "power programming answers 32mA",
                                             "power forward turns backwards", "swap direction bit",
                                             "power forward turns backwards"});
    const auto panel = shown(firstPowerPanel, tests::factsOf(job));
    const auto& rows = panel->findChild<Table*>(u"powerTable"_s)->content().rows;
    EXPECT_EQ(rows.at(0).cells.at(2).words, u"as it should"_s);
    EXPECT_EQ(rows.at(0).cells.at(2).below, u"32 mA"_s);
    EXPECT_EQ(rows.at(1).cells.at(2).words, u"it turns backwards"_s);
    EXPECT_EQ(rows.at(1).mark, core::State::Over);
    EXPECT_EQ(rows.at(1).line, u"power forward "_s);
    EXPECT_EQ(rows.at(2).line, u"power reverse ok"_s);
    EXPECT_EQ(rows.at(2).cells.at(0).below, u"not proved by meter yet"_s);
    EXPECT_EQ(columnOf(*panel, u"swapsTable"_s, 0), QStringList{u"direction bit of the decoder"_s});
}
TEST(SettingsPanel, HasValuesTheListToKeyInAndTheKeys) {
    const core::Job job = jotted(shunter(), {"decoder small", "lamp front white", "address 3107",
                                             "keyed 17", "read-back 18=36"});
    const auto panel = shown(settingsPanel, tests::factsOf(job));
    EXPECT_EQ(columnOf(*panel, u"valuesTable"_s, 1).first(), u"3107"_s);
    EXPECT_EQ(columnOf(*panel, u"valuesTable"_s, 2).first(), u"CV 17 = 204 · CV 18 = 35"_s);
    const auto& keyIn = panel->findChild<Table*>(u"keyInTable"_s)->content().rows;
    EXPECT_EQ(keyIn.at(0).cells.at(2).words, u"keyed in"_s);
    EXPECT_EQ(keyIn.at(1).cells.at(2).words, u"it holds 36"_s);
    EXPECT_EQ(keyIn.at(1).mark, core::State::Over);
    EXPECT_EQ(keyIn.at(2).line, u"keyed 29"_s);
    EXPECT_EQ(columnOf(*panel, u"keysTable"_s, 2).first(), u"front lamp"_s);
}
TEST(RunInPanel, ShowsBothWaysAndEachReading) {
    const core::Job job = jotted(
        shunter(), {"decoder small", "run-in forward 0min 200mA", "run-in forward 30min 260mA"});
    const auto panel = shown(runInPanel, tests::factsOf(job));
    EXPECT_EQ(columnOf(*panel, u"waysTable"_s, 1),
              (QStringList{u"30 min of 30 min"_s, u"0 min of 30 min"_s}));
    EXPECT_EQ(panel->findChild<Table*>(u"waysTable"_s)->content().rows.at(0).mark,
              core::State::Over);
    EXPECT_EQ(columnOf(*panel, u"runInTable"_s, 2), (QStringList{u"200 mA"_s, u"260 mA"_s}));
}
TEST(HandOverPanel, ShowsWhatIsOpenAndBothSheets) {
    const core::Job job =
        jotted(shunter(), {"decoder small", "complaint hums", "waive steps done elsewhere"});
    const auto panel = shown(handOverPanel, tests::factsOf(job));
    const auto& rows = panel->findChild<Table*>(u"openTable"_s)->content().rows;
    EXPECT_TRUE(rows.at(0).line.startsWith(u"answer C"_s));
    EXPECT_TRUE(rows.at(0).line.endsWith(u' '));
    EXPECT_EQ(rows.at(1).cells.at(1).words, u"done elsewhere"_s);
    EXPECT_TRUE(panel->findChild<QTextBrowser*>(u"ownerSheet"_s)
                    ->toPlainText()
                    .contains(u"What you asked for"_s));
    EXPECT_TRUE(
        panel->findChild<QTextBrowser*>(u"nextSheet"_s)->toPlainText().contains(u"orange"_s));
}
TEST(LineOfWork, MarksWorkThatRemainsOtherwiseThanWhatIsFine) {
    StateMark mark(core::State::Fine);
    mark.setState(core::State::Fine, true);
    EXPECT_EQ(mark.accessibleName(), u"To do"_s);
    mark.setState(core::State::Fine);
    EXPECT_EQ(mark.accessibleName(), u"Fine"_s);
    const core::Job job = jotted(shunter(), {"decoder small"});
    const auto standings = core::stageStatus(job, core::findings(job, tests::smallCatalogue()));
    const auto wire = std::find_if(standings.begin(), standings.end(),
                                   [](const auto& each) { return each.stage == "wire"; });
    ASSERT_NE(wire, standings.end());
    EXPECT_TRUE(wire->open);
}
TEST(LineOfWork, SaysHowEachStageStandsAndGoesThere) {
    LineOfWork line;
    line.QWidget::show();
    const core::Job job = jotted(shunter(), {"decoder small"});
    const auto findings = core::findings(job, tests::smallCatalogue());
    line.show(core::stageStatus(job, findings), "decoder");
    auto* choose = button(line, "stage-decoder");
    auto* lamps = button(line, "stage-lamps");
    EXPECT_EQ(choose->accessibleName(), u"Decoder, blocked: choose a larger decoder"_s);
    EXPECT_TRUE(choose->isChecked());
    EXPECT_TRUE(lamps->accessibleName().startsWith(u"Lamps, ahead"_s));
    QSignalSpy chosen(&line, &LineOfWork::stageChosen);
    QTest::keyClick(lamps, Qt::Key_Space);
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen.at(0).at(0).value<std::string_view>(), "lamps");
    // What was pressed opens, though the press itself has checked it already.
    const int closed = lamps->height();
    line.show(core::stageStatus(job, findings), "lamps");
    EXPECT_GT(lamps->height(), closed);
    EXPECT_EQ(choose->height(), closed);
    EXPECT_FALSE(choose->isChecked());
}
/// Thirteen stages, one of them open, beside the other parts of a window of 720 lines.
TEST(LineOfWork, ThirteenStagesFitALowScreen) {
    LineOfWork line;
    const core::Job job = shunter();
    const auto some = core::stageStatus(job, core::findings(job, tests::smallCatalogue()));
    std::vector<core::StageStatus> all;
    while (all.size() < 13)
        all.push_back(all.empty() ? some.front() : some[1 + all.size() % (some.size() - 1)]);
    line.show(all, all.front().stage);
    EXPECT_LE(line.minimumSizeHint().height(), 720 - 200);
}
TEST(Plot, SaysAndOffersWhatIsPointedAt) {
    Plot plot;
    plot.resize(500, 300);
    plot.QWidget::show();
    plot.begin({QString(), 10}, {QString(), 4});
    plot.marks({{2, 1}, {6, 3}}, Plot::Shape::Circle, Qt::black, Qt::NoBrush);
    plot.tipBetween(0, 2, u"low"_s, u"decoder "_s);
    plot.tip({2, 1}, u"one"_s, u"light "_s);
    plot.tip({6, 3}, u"two"_s);
    plot.jotElsewhere(u"stall "_s);
    plot.tipElsewhere([](QPointF at) { return QString::number(at.x(), 'f', 1); });
    plot.finish();
    QCoreApplication::processEvents();
    const auto tipAt = [&](QPointF value) {
        const QPoint at = plot.pixelOf(value).toPoint();
        QHelpEvent help(QEvent::ToolTip, at, plot.surface()->mapToGlobal(at));
        QApplication::sendEvent(plot.surface(), &help);
        return QToolTip::text();
    };
    EXPECT_EQ(tipAt({2, 1}), u"one"_s);  // before the band that it lies in
    EXPECT_EQ(tipAt({6, 3}), u"two"_s);
    EXPECT_EQ(tipAt({8, 1}), u"low"_s);
    EXPECT_EQ(tipAt({9, 3}), u"9.0"_s);
    QSignalSpy offered(&plot, &Plot::jotOffered);
    const auto press = [&](QPointF value) {
        QTest::mouseClick(plot.surface(), Qt::LeftButton, {}, plot.pixelOf(value).toPoint());
        return offered.isEmpty() ? QString() : offered.takeFirst().at(0).toString();
    };
    EXPECT_EQ(press({2, 1}), u"light "_s);
    EXPECT_EQ(press({6, 3}), QString());
    EXPECT_EQ(press({8, 1}), u"decoder "_s);
    EXPECT_EQ(press({9, 3}), u"stall "_s);
    // Nothing of it is left when it is drawn anew.
    plot.begin({QString(), 10}, {QString(), 4});
    plot.finish();
    EXPECT_EQ(press({2, 1}), QString());
    EXPECT_EQ(plot.findChild<QCustomPlot*>()->plottableCount(), 0);
}
TEST(MotorPlot, ManyReadingsAreOneGraphAKind) {
    core::Job job = jotted(shunter(), {"light 180mA 12V", "stall 1.1A 12V"});
    MotorPlot plot;
    const auto graphs = [&] {
        plot.show(tests::factsOf(job), {}, {});
        return plot.findChild<QCustomPlot*>()->plottableCount();
    };
    const int few = graphs();
    auto& readings = job.units[0].motors.at(0).readings;
    readings.insert(readings.end(), 500, readings.front());
    EXPECT_EQ(graphs(), few);
}

core::Result<core::Text> meaningOf(const std::string& line, const core::Job& job) {
    return core::applyLine(line, job, tests::smallCatalogue(), "")
        .map([](const core::JotResult& jotted) { return jotted.meaning; });
}

TEST(JotLine, TakesALineOnReturnAndKeepsOneThatWasRefused) {
    bool accept = true;
    QStringList taken;
    JotLine line([](const QString&) { return meaningOf("stall", shunter()); },
                 [&](const QString& words) {
                     taken.append(words);
                     return accept;
                 },
                 [](const QString& words) {
                     return core::jotCompletions(words.toStdString(), shunter(), {});
                 });
    auto* field = line.findChild<QLineEdit*>(u"jot"_s);
    line.offer(u"rectifier "_s);
    QTest::keyClicks(field, u"1.1V"_s);
    QTest::keyClick(field, Qt::Key_Return);
    EXPECT_EQ(taken, QStringList{u"rectifier 1.1V"_s});
    EXPECT_TRUE(field->text().isEmpty());
    accept = false;
    QTest::keyClicks(field, u"nonsense"_s);
    QTest::keyClick(field, Qt::Key_Return);
    EXPECT_EQ(field->text(), u"nonsense"_s);
    QTest::keyClick(field, Qt::Key_Return);
    field->clear();
    QTest::keyClick(field, Qt::Key_Return);
    EXPECT_EQ(taken.size(), 3);  // an empty line is nothing to take
}
TEST(JotList, OffersEveryFormAsAStart) {
    JotList list;
    list.refresh(core::jotForms());
    const QString text = list.findChild<QTextBrowser*>(u"jotForms"_s)->toPlainText();
    for (const core::JotForm& form : core::jotForms()) {
        EXPECT_TRUE(text.contains(QString::fromUtf8(form.examples[0]))) << form.examples[0];
        EXPECT_TRUE(text.contains(QString::fromStdString(form.pattern))) << form.pattern;
    }
}
TEST(JotList, BeginsWithTheStageOneIsIn) {
    JotList list;
    const auto* forms = list.findChild<QTextBrowser*>(u"jotForms"_s);
    const auto before = [&](const QString& one, const QString& other) {
        return forms->toPlainText().indexOf(one) < forms->toPlainText().indexOf(other);
    };
    list.refresh(core::jotForms(), "lamps");
    EXPECT_TRUE(before(u"resistor front 2k2"_s, u"stall 1.15A 12V"_s));
    list.refresh(core::jotForms(), "measure");
    EXPECT_TRUE(before(u"stall 1.15A 12V"_s, u"resistor front 2k2"_s));
}
TEST(JotList, NarrowsAsOneTypes) {
    JotList list;
    list.refresh(core::jotForms());
    auto* filter = list.findChild<QLineEdit*>(u"jotFilter"_s);
    const auto* forms = list.findChild<QTextBrowser*>(u"jotForms"_s);
    QTest::keyClicks(filter, u"stall"_s);
    EXPECT_TRUE(forms->toPlainText().contains(u"stall 1.15A 12V"_s));
    EXPECT_FALSE(forms->toPlainText().contains(u"resistor front 2k2"_s));
    filter->setText(u"wheelbarrow"_s);
    EXPECT_TRUE(forms->toPlainText().contains(u"Nothing goes by that"_s));
    list.refresh(core::jotForms());
    EXPECT_TRUE(forms->toPlainText().contains(u"resistor front 2k2"_s));
}
TEST(JotLine, GoesOnWithTab) {
    const core::Job job = jotted(shunter(), {"lamp front white", "lamp rear red"});
    JotLine line([&](const QString& words) { return meaningOf(words.toStdString(), job); },
                 [](const QString&) { return true; },
                 [&](const QString& words) {
                     return core::jotCompletions(words.toStdString(), job, tests::smallCatalogue());
                 });
    line.QWidget::show();
    auto* field = line.findChild<QLineEdit*>(u"jot"_s);
    const auto* waysOn = line.findChild<QLabel*>(u"jotWaysOn"_s);
    QTest::keyClicks(field, u"resi"_s);
    EXPECT_EQ(waysOn->text(), u"Tab: resistor (resistor LAMP [OHMS] [none] [PACKAGE])"_s);
    QTest::keyClick(field, Qt::Key_Tab);
    EXPECT_EQ(field->text(), u"resistor "_s);
    QTest::keyClicks(field, u"r"_s);
    EXPECT_EQ(waysOn->text(), u"Tab: rear lamp (on output rear)"_s);
    QTest::keyClick(field, Qt::Key_Tab);
    QTest::keyClicks(field, u" 2k2"_s);
    EXPECT_EQ(line.findChild<QLabel*>(u"jotMeaning"_s)->text(), u"↵ rear lamp: resistor 2.2 kΩ"_s);
    // Several are gone through one after the other, and around.
    field->clear();
    QTest::keyClicks(field, u"resistor "_s);
    EXPECT_TRUE(waysOn->text().startsWith(u"Tab: front lamp · rear lamp"_s));
    QTest::keyClick(field, Qt::Key_Tab);
    QTest::keyClick(field, Qt::Key_Tab);
    EXPECT_EQ(field->text(), u"resistor rear lamp "_s);
    EXPECT_TRUE(waysOn->text().startsWith(u"Tab: none"_s)) << waysOn->text().toStdString();
    QTest::keyClick(field, Qt::Key_Escape);
    EXPECT_FALSE(waysOn->isVisible());
}

TEST(LampsPanel, ListsOutputsWithWhatHangsOnThem) {
    LampsPanel panel;
    panel.resize(760, 270);
    panel.QWidget::show();
    const core::Job job = jotted(shunter(), {"lamp rear red", "parallel rear"});
    panel.show(tests::factsOf(job), core::findings(job, tests::smallCatalogue()), job.groups[0].id);
    auto* rear = button(panel, "output-L3");
    ASSERT_NE(rear, nullptr);
    EXPECT_EQ(rear->accessibleName(), u"rear, yellow: rear lamp, 2 lamps, Ask"_s);
    EXPECT_TRUE(rear->isChecked());
    QSignalSpy offered(&panel, &LampsPanel::jotOffered);
    QSignalSpy chosen(&panel, &LampsPanel::subjectChosen);
    auto* front = button(panel, "output-lamp front lamp white on front");
    ASSERT_NE(front, nullptr);
    QTest::mouseClick(front, Qt::LeftButton);
    ASSERT_EQ(offered.count(), 1);
    EXPECT_EQ(offered.at(0).at(0).toString(), u"lamp front lamp white on front"_s);
    QTest::mouseClick(rear, Qt::LeftButton);
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen.at(0).at(0).value<std::string>(), job.groups[0].id);
}
TEST(LampsPanel, AnOutputOffersItsLikelyLines) {
    LampsPanel panel;
    panel.resize(760, 270);
    panel.QWidget::show();
    const core::Job job = jotted(shunter(), {"decoder board", "lamp rear red"});
    panel.show(tests::factsOf(job), core::findings(job, tests::smallCatalogue()), {});
    QSignalSpy chosen(&panel, &LampsPanel::jotChosen);
    const auto lines = [&](const char* name) {
        QTest::mouseClick(button(panel, name), Qt::LeftButton);
        auto* menu = panel.findChild<QMenu*>(u"likelyLines"_s);
        QStringList words;
        if (!menu) return words;
        for (QAction* action : menu->actions()) {
            words << action->text();
            action->trigger();
        }
        delete menu;
        return words;
    };
    // A free output: a lamp, or what its board carries; each line is understood as it stands.
    EXPECT_EQ(lines("output-lamp front lamp white on front").size(), 6);
    ASSERT_EQ(chosen.count(), 6);
    for (const auto& line : chosen) {
        const std::string typed = line.at(0).toString().toStdString();
        EXPECT_TRUE(core::applyLine(typed, job, tests::smallCatalogue(), "").has_value()) << typed;
    }
    EXPECT_EQ(chosen.at(2).at(0).toString(), u"lamp front lamp red on front"_s);
    // One that feeds a lamp: only what nobody has looked at.
    EXPECT_EQ(lines("output-L3").size(), 3);
    const core::Job known = jotted(job, {"output rear bare"});
    panel.show(tests::factsOf(known), core::findings(known, tests::smallCatalogue()), {});
    EXPECT_TRUE(lines("output-L3").isEmpty());
}
TEST(LampsPanel, HasAPlaceForLampsWithoutADecoder) {
    LampsPanel panel;
    const core::Job saloon = jotted(tests::newJob("Aurora", "saloon", {}), {"lamp table white"});
    panel.show(tests::factsOf(saloon), core::findings(saloon, tests::smallCatalogue()), {});
    EXPECT_NE(button(panel, "output-L2"), nullptr);
    EXPECT_NE(button(panel, "output-lamp "), nullptr);
}

/// A dining saloon on the rails: lamps under the roof, one that blinks at its end.
core::Job saloonOnRails() {
    return jotted(tests::newJob("Aurora", "saloon", {}),
                  {"rectifier silicon", "lamp roof warm white for 3mA", "parallel roof",
                   "shared roof 1k", "lamp tail blink-red-3mm for 8mA", "resistor tail 1k"});
}
TEST(Schematic, AResistorIsSteppedByArrowsThroughItsSeries) {
    LampsPanel panel;
    panel.resize(900, 330);
    panel.QWidget::show();
    core::Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2"});
    QSignalSpy chosen(&panel, &LampsPanel::jotChosen), offered(&panel, &LampsPanel::jotOffered);
    Schematic& drawn = *panel.schematic();
    const auto show = [&] {
        panel.show(tests::factsOf(job), {}, job.groups[0].id);
        drawn.grab();
    };
    show();
    const auto resistor = [&] {
        for (const Schematic::Symbol& each : drawn.symbols())
            if (each.jot.startsWith(u"resistor"_s)) return each.where.center().toPoint();
        return QPoint();
    };
    QTest::mouseClick(&drawn, Qt::LeftButton, {}, resistor());
    EXPECT_EQ(offered.count(), 0);
    const auto press = [&](Qt::Key key) {
        QTest::keyClick(&drawn, key);
        const QString line = chosen.isEmpty() ? QString() : chosen.takeLast()[0].toString();
        if (!line.isEmpty()) job = jotted(job, {line.toUtf8().constData()});
        show();
        return line;
    };
    EXPECT_EQ(press(Qt::Key_Up), u"resistor front lamp 2.7kΩ"_s);
    EXPECT_EQ(press(Qt::Key_Up), u"resistor front lamp 3.3kΩ"_s);
    EXPECT_EQ(press(Qt::Key_Down), u"resistor front lamp 2.7kΩ"_s);
    job = jotted(job, {"series front E96"});
    show();
    EXPECT_EQ(press(Qt::Key_Up), u"resistor front lamp 2.74kΩ"_s);
    QTest::keyClick(&drawn, Qt::Key_Return);
    EXPECT_EQ(offered.takeFirst()[0].toString(), u"resistor front lamp "_s);
    // To the lamp beside it: that has nothing to step.
    QTest::keyClick(&drawn, Qt::Key_Left);
    EXPECT_EQ(press(Qt::Key_Up), QString());
    QTest::keyClick(&drawn, Qt::Key_Return);
    EXPECT_EQ(offered.takeFirst()[0].toString(), u"lamp front lamp "_s);
    // Where none is chosen it begins at what the wish comes to.
    job = jotted(shunter(), {"lamp front white for 3mA"});
    job.groups[0].rows[0].resistor.reset();
    show();
    QTest::mouseClick(&drawn, Qt::LeftButton, {}, resistor());
    const QString first = press(Qt::Key_Up);
    EXPECT_NEAR(job.groups[0].rows[0].resistor->value(), 3900, 700) << first.toStdString();
}
TEST(DecoderRack, FitsTheRowThatIsPressedAndShowsMoreColumnsWhereThereIsRoom) {
    DecoderRack rack;
    rack.resize(740, 400);
    rack.QWidget::show();
    core::Job job = jotted(shunter(), {"stall 0.6A 12V", "decoder small"});
    rack.show(tests::factsOf(job), {}, {});
    const auto& table = *rack.findChild<Table*>();
    const core::JobAnalysis facts = tests::factsOf(job);
    const auto ranked = core::decoder::rankedDecoders(facts, core::driveEvidence(facts));
    ASSERT_EQ(table.content().rows.size(), ranked.size());
    ASSERT_GE(ranked.size(), 3U);
    std::size_t fitted = 0, other = 0;
    for (std::size_t i = 0; i < ranked.size(); ++i) {
        const TableRow& row = table.content().rows[i];
        EXPECT_EQ(row.line, u"decoder "_s + qs(ranked[i].decoder->id));
        EXPECT_EQ(row.mark, ranked[i].worst);
        EXPECT_EQ(row.chosen, ranked[i].decoder->id == "small");
        (row.chosen ? fitted : other) = i;
        EXPECT_EQ(static_cast<bool>(row.cells[ranked[i].deciding + 1].sketch),
                  ranked[i].cells[ranked[i].deciding].state != core::State::Fine);
    }
    EXPECT_TRUE(table.content().rows[fitted].cells[0].below.startsWith(u"fitted"_s));
    QSignalSpy chosen(&rack, &DecoderRack::jotChosen);
    pressRow(table, static_cast<int>(other));
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen[0][0].toString(), table.content().rows[other].line);
    // Narrow, it shows what always matters; wide, all of it.
    const auto shown = [&] {
        const QTableView& grid = gridOf(table);
        int count = 0;
        for (int i = 0; i < grid.model()->columnCount(); ++i)
            count += grid.isColumnHidden(i) ? 0 : 1;
        return count;
    };
    EXPECT_EQ(shown(), 7);
    rack.resize(1400, 400);
    QCoreApplication::processEvents();
    EXPECT_EQ(shown(), 11);
}
TEST(LampsPanel, TellsWhatEachTesterShouldShowAndTakesWhatIsSeen) {
    LampsPanel panel;
    panel.resize(760, 270);
    panel.QWidget::show();
    core::Job job = jotted(shunter(), {"lamp front white", "resistor front 2k2"});
    const auto show = [&] { panel.show(tests::factsOf(job), {}, job.groups[0].id); };
    show();
    const auto* testers = panel.findChild<TesterTable*>();
    const auto& table = *testers->findChild<Table*>();
    const auto tip = [&](std::size_t row, std::size_t column) {
        return table.content().rows.at(row).cells.at(column).tip;
    };
    EXPECT_TRUE(table.content().rows.empty());  // only what is looked at is worked out
    QTest::mouseClick(panel.findChild<QToolButton*>(u"pageTesters"_s), Qt::LeftButton);
    ASSERT_FALSE(table.content().rows.empty());
    EXPECT_TRUE(tip(0, 1).startsWith(u"front lamp at the 9 V tester: should be lit"_s));
    EXPECT_TRUE(tip(0, 3).startsWith(u"front lamp at the meter's diode test: should be dim"_s));
    EXPECT_FALSE(tip(0, 4).startsWith(u"front lamp at a supply at 2.5 V"_s));
    testers->findChild<QDoubleSpinBox*>()->setValue(2.5);
    EXPECT_TRUE(tip(0, 4).startsWith(u"front lamp at a supply at 2.5 V: should be"_s));

    QSignalSpy chosen(&panel, &LampsPanel::jotChosen);
    pressAt(table, cellOf(table, 0, 0).center());  // its name
    EXPECT_FALSE(testers->findChild<QMenu*>(u"likelyLines"_s));
    pressAt(table, cellOf(table, 0, 3).center());
    auto* menu = testers->findChild<QMenu*>(u"likelyLines"_s);
    ASSERT_TRUE(menu);
    ASSERT_EQ(menu->actions().size(), 4);
    menu->actions()[2]->trigger();
    menu->close();
    ASSERT_EQ(chosen.count(), 1);
    const QString line = chosen[0][0].toString();
    EXPECT_EQ(line, u"tester front lamp dark at diode-test"_s);
    job = jotted(job, {line.toUtf8().constData()});
    show();
    EXPECT_TRUE(
        tip(0, 3).startsWith(u"front lamp at the meter's diode test: should be dim, seen: dark"_s));
    EXPECT_TRUE(table.accessibleDescription().contains(u"seen dark"_s));
    // A group of several can be held by its two wires.
    const core::Job pair = jotted(job, {"parallel front white", "resistor front 2k2"});
    const auto held = [&] {
        return std::count_if(
            table.content().rows.begin(), table.content().rows.end(),
            [](const TableRow& row) { return row.cells[0].words == u"with all others"_s; });
    };
    EXPECT_EQ(held(), 0);
    panel.show(tests::factsOf(pair), {}, pair.groups[0].id);
    EXPECT_EQ(held(), 2);
    show();
    EXPECT_EQ(held(), 0);
    // Every look of every tester is a line that is understood, with and without its resistor.
    for (const auto& each : core::lamps::testerLines(job.groups[0], core::Volts{2.5})) {
        for (const auto& one : each.cells) {
            const std::string said = core::lamps::testerJot(each.row, "dim", one.with);
            EXPECT_EQ(jotted(job, {said.c_str()}).groups[0].rows[0].tested->with, one.with);
        }
    }
}
TEST(FaultTable, ALongNameTakesMoreLinesAndIsPressedWhereItStands) {
    // Three that differ are told apart by their parts.
    const core::Job job = tests::jotted(
        tests::shunter(), {"decoder middle", "lamp front warm white", "parallel front red",
                           "parallel front warm white", "resistor front/1 1k",
                           "resistor front/2 1k", "resistor front/3 1k"});
    FaultTable table;
    table.resize(900, 400);
    table.QWidget::show();
    table.showGroup(tests::factsOf(job), &job.groups[0]);
    ASSERT_GT(table.cases().size(), 2U);
    const int wide = table.minimumSizeHint().height();
    EXPECT_GE(wide, 36 * static_cast<int>(table.cases().size()));
    table.resize(table.minimumSizeHint().width(), 400);
    EXPECT_GT(table.minimumSizeHint().height(), wide);
    // Where a line ends and the next begins.
    QStringList lit;
    QObject::connect(&table, &FaultTable::seen, [&](const PictureOverlay& as) { lit << as.words; });
    const auto last = static_cast<int>(table.cases().size()) - 1;
    const QRect box = cellOf(table, last);
    pressAt(table, {60, box.bottom() - 2});
    ASSERT_EQ(lit.count(), 1);
    EXPECT_EQ(lit.takeLast(), said(table.cases().back().name));
    pressAt(table, {60, box.top() - 2});
    ASSERT_EQ(lit.count(), 1);
    EXPECT_EQ(lit.takeLast(), said(table.cases()[static_cast<std::size_t>(last) - 1].name));
    pressAt(table, {60, cellOf(table, 0).top() + 3});
    ASSERT_EQ(lit.count(), 1);
    EXPECT_EQ(lit.takeLast(), said(table.cases().front().name));
}
TEST(LampsPanel, TurnsItsPages) {
    LampsPanel panel;
    panel.resize(760, 270);
    panel.QWidget::show();
    const core::Job job = saloonOnRails();
    const auto show = [&](const core::Job& shown) {
        panel.show(tests::factsOf(shown), {}, shown.groups[0].id);
    };
    show(job);
    const auto page = [&](const char* name) {
        auto* tab = panel.findChild<QToolButton*>(QString::fromLatin1(name));
        QTest::mouseClick(tab, Qt::LeftButton);
        EXPECT_TRUE(tab->isChecked());
    };
    auto* faults = panel.findChild<FaultTable*>();
    auto* builds = panel.findChild<MismatchRows*>();
    EXPECT_TRUE(panel.schematic()->isVisible());
    EXPECT_TRUE(faults->cases().empty());  // only what is looked at is worked out
    page("pageFaults");
    EXPECT_FALSE(panel.schematic()->isVisible());
    ASSERT_EQ(faults->cases().size(), 3U);
    EXPECT_TRUE(faults->accessibleDescription().contains(u"One of 2 fails open"_s));
    // A line is seen in the dark while it is pressed down, by mouse or key.
    {
        QStringList lit;
        const auto heard = QObject::connect(&panel, &LampsPanel::overlayChanged,
                                            [&] { lit << panel.overlay().words; });
        const auto words = [&] { return lit.isEmpty() ? u"(nothing)"_s : lit.takeLast(); };
        pressRow(*faults, 1);
        ASSERT_EQ(lit.count(), 1);
        EXPECT_EQ(words(), u"One of 2 is bridged"_s);
        pressRow(*faults, 1);
        EXPECT_EQ(words(), QString());
        QTest::mouseClick(faults, Qt::LeftButton, {}, {60, 2});
        EXPECT_EQ(lit.count(), 0);
        auto* keys = faults->focusProxy();
        keys->setFocus();
        QTest::keyClick(keys, Qt::Key_Down);
        EXPECT_EQ(words(), u"One of 2 fails open"_s);
        QTest::keyClick(keys, Qt::Key_End);
        EXPECT_EQ(lit.count(), 0);
        for (int i = 0; i < 5; ++i) QTest::keyClick(keys, Qt::Key_Down);
        EXPECT_EQ(words(), u"One of 2 is turned round"_s);
        QTest::keyClick(keys, Qt::Key_Up);
        EXPECT_EQ(words(), u"One of 2 is bridged"_s);
        QTest::keyClick(keys, Qt::Key_Escape);
        EXPECT_EQ(words(), QString());
        // Whoever turns the page has seen enough of it.
        QTest::keyClick(keys, Qt::Key_Down);
        page("pageCircuit");
        EXPECT_EQ(words(), QString());
        page("pageFaults");
        QObject::disconnect(heard);
    }
    const QImage before = faults->grab().toImage();
    // It follows the job while it is looked at.
    show(jotted(job, {"shared roof 300"}));
    EXPECT_NE(faults->grab().toImage(), before);
    show(job);
    page("pageBuilds");
    ASSERT_TRUE(QTest::qWaitFor([&] { return !builds->lines().empty(); }, 20000));
    ASSERT_EQ(builds->lines().size(), 4U);
    EXPECT_TRUE(builds->accessibleDescription().contains(u"of 10 builds"_s));
    QSignalSpy chosen(&panel, &LampsPanel::jotChosen);
    auto* keys = builds->focusProxy();
    keys->setFocus();
    QTest::keyClick(keys, Qt::Key_Return);  // the first, as it is: nothing to take
    EXPECT_EQ(chosen.count(), 0);
    QTest::keyClick(keys, Qt::Key_Down);
    QTest::keyClick(keys, Qt::Key_Return);
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen.at(0).at(0).toString(), u"own roof lamp"_s);
    pressRow(*builds, 2);
    ASSERT_EQ(chosen.count(), 2);
    EXPECT_EQ(chosen.at(1).at(0).toString(), u"series roof lamp E96"_s);
    // Another group, or an edit, is reckoned anew, and what was under way is left.
    show(jotted(job, {"own roof"}));
    show(jotted(job, {"remove roof/2"}));
    EXPECT_TRUE(builds->lines().empty());
}
TEST(LampsPanel, SavesForOtherPrograms) {
    LampsPanel panel;
    panel.resize(760, 270);
    const core::Job job = saloonOnRails();
    panel.show(tests::factsOf(job), {}, job.groups[0].id);
    const QTemporaryDir folder;
    QSignalSpy refused(&panel, &LampsPanel::refused);
    const auto saved = [&](const char* name) {
        const QString path = folder.filePath(QString::fromLatin1(name));
        panel.saveAs(path);
        QFile file(path);
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    };
    const QByteArray svg = saved("a.svg");
    EXPECT_TRUE(svg.contains("<svg"));
    EXPECT_TRUE(svg.contains(">shared<"));
    EXPECT_TRUE(svg.contains("behind the bridge"));
    EXPECT_TRUE(saved("a.PDF").startsWith("%PDF"));
    QImage image;
    EXPECT_TRUE(image.loadFromData(saved("a.png")));
    EXPECT_GE(image.width(), 2 * 320);
    EXPECT_TRUE(saved("a.cir").contains("rshared"));
    EXPECT_TRUE(saved("a.csv").contains("roof lamp,2,supply"));
    EXPECT_EQ(refused.count(), 0);
    EXPECT_TRUE(saved("a.doc").isEmpty());
    ASSERT_EQ(refused.count(), 1);
    EXPECT_TRUE(refused.at(0).at(0).toString().contains(u".svg, .pdf"_s));
    panel.saveAs(folder.filePath(u"no/such/a.csv"_s));
    EXPECT_EQ(refused.count(), 2);
    // A lamp without its resistor is no circuit; what stood in the file stays.
    const core::Job open = jotted(job, {"shared roof none"});
    panel.show(tests::factsOf(open), {}, open.groups[0].id);
    EXPECT_TRUE(saved("a.cir").contains("rshared"));
    EXPECT_EQ(refused.count(), 3);
}
TEST(Schematic, IsTheSameInPartsAsInOnePiece) {
    core::Job job = jotted(shunter(), {"lamp front white on front", "resistor front 2k2"});
    job.groups[0].rows.resize(9, job.groups[0].rows[0]);
    for (std::size_t i = 0; i < 9; ++i)
        job.groups[0].rows[i].resistor = core::Ohms{1000 + 100.0 * static_cast<double>(i)};
    Schematic schematic;
    schematic.show(tests::factsOf(job), &job.groups[0], {});
    schematic.resize(schematic.minimumSizeHint());
    const QImage whole = schematic.grab().toImage();
    const auto symbols = schematic.symbols().size();
    ASSERT_GT(schematic.width(), 1200);
    // Where one has scrolled to only what is seen is drawn; all can be reached still.
    for (const int from : {0, 333, 640, schematic.width() - 400}) {
        const QRect part(from, 0, 400, schematic.height());
        EXPECT_EQ(schematic.grab(part).toImage(), whole.copy(part)) << from;
        EXPECT_EQ(schematic.symbols().size(), symbols);
    }
}
TEST(LampsPanel, ShowsTheGapOfTheRailsOnlyWhereThereIsOne) {
    LampsPanel panel;
    panel.resize(760, 270);
    panel.QWidget::show();
    const core::Job job = saloonOnRails();
    const auto show = [&](const core::Job& shown) {
        panel.show(tests::factsOf(shown), {}, shown.groups[0].id);
    };
    show(job);
    auto* tab = panel.findChild<QToolButton*>(u"pageDirt"_s);
    auto* plot = panel.findChild<GapPlot*>();
    EXPECT_TRUE(tab->isVisible());
    QTest::mouseClick(tab, Qt::LeftButton);
    EXPECT_TRUE(plot->isVisible());
    EXPECT_EQ(plot->accessibleName(), u"Over dirt: no capacitor: dark at once"_s);
    show(jotted(job, {"smoothing 470uF 25V charge 47R"}));
    EXPECT_TRUE(plot->accessibleName().startsWith(u"Over dirt: half of the light is left after"_s));
    // On a supply that is always there the page is gone, and the circuit stands there again.
    show(jotted(job, {"supply fixed dc 12V"}));
    EXPECT_FALSE(tab->isVisible());
    EXPECT_TRUE(panel.schematic()->isVisible());
}

TEST(RulesPanel, ListsTheRulesAndSaysWhichAreTheHousesOwn) {
    RulesPanel panel;
    panel.resize(700, 330);
    core::WorkshopRules house;
    house.bridge = core::Volts{1};
    const core::WorkshopRecord workshop{house};
    panel.showWorkshop({workshop, tests::smallCatalogue()}, "bridge");
    panel.QWidget::show();
    auto* bridge = button(panel, "rule-bridge");
    ASSERT_NE(bridge, nullptr);
    EXPECT_EQ(bridge->accessibleName(), u"Motor bridge drop: 1 V, changed"_s);
    EXPECT_TRUE(bridge->isChecked());
    EXPECT_EQ(button(panel, "rule-rule")->accessibleName(), u"Rating rule: slip, as usual"_s);
    QSignalSpy chosen(&panel, &RulesPanel::subjectChosen);
    QTest::mouseClick(button(panel, "rule-margin"), Qt::LeftButton);
    EXPECT_EQ(chosen.at(0).at(0).value<std::string>(), "margin");
}
TEST(HoldPlot, SaysHowLongTheBankHoldsAndLeadsToItsJots) {
    StayAlivePanel panel;
    panel.resize(700, 260);
    panel.QWidget::show();
    auto* hold = panel.findChild<HoldPlot*>();
    QSignalSpy offered(&panel, &StayAlivePanel::jotOffered);
    const core::Job without = shunter();
    panel.show(tests::factsOf(without), {}, {});
    EXPECT_EQ(hold->accessibleName(), u"Stay-alive: no bank fitted"_s);
    QTest::mouseClick(panel.findChild<QToolButton*>(u"liftedOff"_s), Qt::LeftButton);
    const QImage empty = grey(panel);
    auto* plot = hold->findChild<QWidget*>();
    QTest::mouseClick(plot, Qt::LeftButton);
    EXPECT_EQ(offered.at(0).at(0).toString(), u"bank "_s);
    const core::Job with = jotted(shunter(), {"bank chips-3300u-25 charge 220R diode 0.35V"});
    panel.show(tests::factsOf(with), {}, {});
    QTest::qWait(30);
    EXPECT_TRUE(hold->accessibleName().contains(u"holds "_s))
        << hold->accessibleName().toStdString();
    EXPECT_TRUE(hold->accessibleName().contains(u"needed: 50 ms"_s));
    EXPECT_GT(differing(empty, grey(panel)), 200);
    QTest::mouseClick(plot, Qt::LeftButton);
    EXPECT_EQ(offered.at(1).at(0).toString(), u"charge "_s);
}

core::Job lameOnPoints() {
    return jotted(shunter(), {"axle 1 none", "axle 3 right", "points 1:9", "gap 10mm right",
                              "bank chips-3300u-25 charge 220R diode 0.35V", "lamp front white",
                              "resistor front 1k"});
}
TEST(StayAlivePanel, ShowsTheWorstPlaceAndTheOneInQuestion) {
    StayAlivePanel panel;
    panel.resize(900, 300);
    panel.QWidget::show();
    const core::Job job = lameOnPoints();
    panel.show(tests::factsOf(job), {}, {});
    auto* plot = panel.findChild<CrossingPlot*>();
    EXPECT_TRUE(plot->isVisible());
    EXPECT_TRUE(plot->accessibleName().startsWith(
        u"Over the dead 28 mm of points 1:9, forwards, with the frog on its left: "_s))
        << plot->accessibleName().toStdString();
    EXPECT_TRUE(plot->accessibleName().endsWith(u"no power · decoder out"_s))
        << plot->accessibleName().toStdString();
    panel.show(tests::factsOf(job), {}, "gap right 10 mm");
    EXPECT_TRUE(
        plot->accessibleName().startsWith(u"Over a gap of 10 mm in the right rail, forwards: "_s));
    // What was turned to stays as long as it is the same job.
    QTest::mouseClick(panel.findChild<QToolButton*>(u"liftedOff"_s), Qt::LeftButton);
    EXPECT_FALSE(plot->isVisible());
    panel.show(tests::factsOf(job), {}, {});
    EXPECT_FALSE(plot->isVisible());
    QTest::mouseClick(panel.findChild<QToolButton*>(u"overTrack"_s), Qt::LeftButton);
    EXPECT_TRUE(plot->isVisible());
    // Where it cannot be told from wheels there is nothing to roll over.
    panel.show(tests::factsOf(jotted(job, {"supply three-rail"})), {}, {});
    EXPECT_FALSE(plot->isVisible());
    EXPECT_FALSE(panel.findChild<QToolButton*>(u"overTrack"_s)->isEnabled());
}
TEST(StayAlivePanel, WhatIsSaidAtTheCursorStaysWithinThePlotAtAnyWidth) {
    StayAlivePanel panel;
    const core::Job job = lameOnPoints();
    panel.show(tests::factsOf(job), {}, {});  // before anything is laid out
    panel.resize(1100, 300);
    panel.QWidget::show();
    auto* plot = panel.findChild<CrossingPlot*>();
    auto* drawn = plot->findChild<QCustomPlot*>();
    const auto words = [&]() -> QCPItemText* {
        for (int i = 0; i < drawn->itemCount(); ++i) {
            auto* text = qobject_cast<QCPItemText*>(drawn->item(i));
            if (text && text->text().contains(u" · bus "_s)) return text;
        }
        return nullptr;
    };
    for (const core::Millimetres at : {plot->travel(), core::Millimetres{0}}) {
        plot->setTravel(at);
        for (const int width : {1300, 820, 1100, 900}) {
            panel.resize(width, 300);
            QTest::qWait(20);
            ASSERT_NE(words(), nullptr);
            const QRect inside = drawn->axisRect()->rect().adjusted(-2, 0, 2, 0);
            EXPECT_GE(words()->left->pixelPosition().x(), inside.left()) << width;
            EXPECT_LE(words()->right->pixelPosition().x(), inside.right()) << width;
        }
    }
}
TEST(StayAlivePanel, IsScrubbedByKeyAndHandAndTellsThePictureWhereItStands) {
    StayAlivePanel panel;
    panel.resize(900, 300);
    panel.QWidget::show();
    std::vector<std::optional<core::TrackUnder>> shown;
    QObject::connect(&panel, &StayAlivePanel::overlayChanged,
                     [&] { shown.push_back(panel.overlay().track); });
    const core::Job job = lameOnPoints();
    panel.show(tests::factsOf(job), {}, {});
    auto* plot = panel.findChild<CrossingPlot*>();
    ASSERT_FALSE(shown.empty());
    ASSERT_TRUE(shown.back().has_value());
    EXPECT_EQ(shown.back()->dead.at(0).rail, core::Rails::Left);
    // It begins where it stands, and goes no further in the picture.
    const core::Millimetres stands = plot->travel();
    QTest::keyClick(plot, Qt::Key_End);
    EXPECT_GT(plot->travel(), stands + core::Millimetres{10});
    EXPECT_NEAR((shown.back()->travel - stands).value(), 0, 1e-9);
    EXPECT_TRUE(plot->accessibleName().endsWith(u"it never gets here"_s));
    QTest::keyClick(plot, Qt::Key_Home);
    const core::Millimetres start = plot->travel();
    QTest::keyClick(plot, Qt::Key_Right);
    EXPECT_NEAR((plot->travel() - start).value(), 1, 1e-9);
    QTest::keyClick(plot, Qt::Key_Left);
    EXPECT_NEAR((plot->travel() - start).value(), 0, 1e-9);
    // Axle 2 alone collects on the left: its wheel meets the frog where the axle stands.
    QTest::keyClick(plot, Qt::Key_Right, Qt::ShiftModifier);
    EXPECT_NEAR(plot->travel().value(), job.units[0].body.axles[1].x.value(), 1e-6);
    QTest::mouseClick(panel.findChild<QToolButton*>(u"changeBack"_s), Qt::LeftButton);
    EXPECT_NEAR((plot->travel() - start).value(), 0, 1e-9);
    auto* canvas = plot->findChild<QWidget*>();
    QTest::mouseClick(canvas, Qt::LeftButton, {}, canvas->rect().center());
    EXPECT_GT((plot->travel() - start).value(), 20);
    QTest::keyClick(plot, Qt::Key_Home);
    QTest::keyClick(plot, Qt::Key_Space);
    EXPECT_TRUE(plot->playing());
    for (int i = 0; i < 400 && plot->playing(); ++i) QTest::qWait(20);
    EXPECT_FALSE(plot->playing());
    EXPECT_NEAR((plot->travel() - stands).value(), 0, 1e-9);
    QTest::mouseClick(panel.findChild<QToolButton*>(u"liftedOff"_s), Qt::LeftButton);
    EXPECT_FALSE(shown.back().has_value());
}
TEST(StayAlivePanel, ASpeedIsSetByPressAndKey) {
    StayAlivePanel panel;
    panel.resize(900, 300);
    panel.QWidget::show();
    // Rolls as a worm does: 5.1 mm from 20 km/h.
    const core::Job rolls = tests::jotted(lameOnPoints(), {"coast 5.1mm"});
    panel.show(tests::factsOf(rolls), {}, {});
    auto* speeds = panel.findChild<SpeedColumn*>();
    EXPECT_EQ(speeds->accessibleName().toStdString(),
              "Speeds, with the frog on its left: from 2 km/h stops, from 36 km/h starts anew; set "
              "to 20 km/h");
    QSignalSpy chosen(&panel, &StayAlivePanel::jotChosen);
    QTest::keyClick(speeds, Qt::Key_Up);
    EXPECT_EQ(chosen.back().at(0).toString(), u"creep 22km/h"_s);
    QTest::keyClick(speeds, Qt::Key_Down);
    EXPECT_EQ(chosen.back().at(0).toString(), u"creep 18km/h"_s);
    QTest::mouseClick(speeds, Qt::LeftButton, {}, {60, 66});
    EXPECT_EQ(chosen.back().at(0).toString(), u"creep 60km/h"_s);
    QTest::mouseClick(speeds, Qt::LeftButton, {}, {60, speeds->height() - 20});
    EXPECT_EQ(chosen.back().at(0).toString(), u"creep 2km/h"_s);
    // What becomes of it at the speed under the pointer, and where.
    const QPointF slow(60, speeds->height() - 20);
    QMouseEvent over(QEvent::MouseMove, slow, speeds->mapToGlobal(slow), Qt::NoButton, {}, {});
    QApplication::sendEvent(speeds, &over);
    EXPECT_TRUE(speeds->toolTip().startsWith(u"2 km/h, with the frog on its left: stops "_s))
        << speeds->toolTip().toStdString();
    EXPECT_TRUE(speeds->toolTip().contains(u" mm on"_s) || speeds->toolTip().contains(u"µm on"_s));
    // The other column is the other way: a press or a key turns to it and sets no speed.
    const auto before = chosen.size();
    auto* plot = panel.findChild<CrossingPlot*>();
    QTest::mouseClick(speeds, Qt::LeftButton, {}, {80, 100});
    EXPECT_TRUE(speeds->accessibleName().startsWith(u"Speeds, with the frog on its right: "_s))
        << speeds->accessibleName().toStdString();
    EXPECT_TRUE(plot->accessibleName().contains(u"frog on its right"_s));
    // It stays there as long as the place does.
    panel.show(tests::factsOf(jotted(lameOnPoints(), {"creep 18km/h"})), {}, {});
    EXPECT_TRUE(plot->accessibleName().contains(u"frog on its right"_s));
    QTest::keyClick(speeds, Qt::Key_Right);  // there is no third
    EXPECT_TRUE(plot->accessibleName().contains(u"frog on its right"_s));
    QTest::keyClick(speeds, Qt::Key_Left);
    EXPECT_TRUE(plot->accessibleName().contains(u"frog on its left"_s));
    EXPECT_EQ(chosen.size(), before);
    panel.show(tests::factsOf(lameOnPoints()), {}, "gap right 10 mm");
    EXPECT_TRUE(speeds->accessibleName().startsWith(u"Speeds: "_s));
}

TEST(StayAlivePanel, BanksStandSideBySideAndOneIsTakenByPressOrKey) {
    StayAlivePanel panel;
    panel.resize(900, 400);
    panel.QWidget::show();
    core::Job job = lameOnPoints();
    panel.show(tests::factsOf(job), {}, {});
    auto* table = panel.findChild<Table*>(u"bankTable"_s);
    ASSERT_TRUE(table);
    EXPECT_TRUE(table->content().rows.empty());  // only what is looked at is worked out
    QTest::mouseClick(panel.findChild<QToolButton*>(u"bankChoice"_s), Qt::LeftButton);
    const auto rows = [&] { return core::stay_alive::bankRows(tests::factsOf(job)); };
    ASSERT_EQ(table->content().rows.size(), tests::smallCatalogue().banks.size());
    EXPECT_TRUE(table->accessibleDescription().contains(
        qs(core::formatted(rows()[1].bank.bank.part.capacitance, 3))));
    QSignalSpy chosen(&panel, &StayAlivePanel::jotChosen);
    const auto line = [&](std::size_t row) { return qs(rows()[row].bank.jot); };
    pressRow(*table, 1);
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen.takeLast().at(0).toString(), line(1));
    QTest::mouseClick(table, Qt::LeftButton, {}, {90, 12});  // what stands above it
    EXPECT_EQ(chosen.count(), 0);
    auto* keys = table->focusProxy();
    keys->setFocus();
    QTest::keyClick(keys, Qt::Key_Down);
    QTest::keyClick(keys, Qt::Key_Return);
    ASSERT_EQ(chosen.count(), 1);
    EXPECT_EQ(chosen.takeLast().at(0).toString(), line(2));
    for (int i = 0; i < 9; ++i) QTest::keyClick(keys, Qt::Key_Up);
    QTest::keyClick(keys, Qt::Key_Return);
    EXPECT_EQ(chosen.takeLast().at(0).toString(), line(0));
    // It follows the job; the bank that is there is not taken again.
    const QImage before = table->grab().toImage();
    job = jotted(job, {line(0).toUtf8().constData()});
    panel.show(tests::factsOf(job), {}, {});
    EXPECT_NE(table->grab().toImage(), before);
    EXPECT_TRUE(table->content().rows[0].chosen);
    QTest::keyClick(keys, Qt::Key_Return);
    EXPECT_EQ(chosen.count(), 0);
    // What a cell means stands beside the pointer.
    const QPoint rated = cellOf(*table, 0, 2).center();
    QHelpEvent help(QEvent::ToolTip, rated, gridOf(*table).viewport()->mapToGlobal(rated));
    QApplication::sendEvent(gridOf(*table).viewport(), &help);
    EXPECT_TRUE(QToolTip::text().startsWith(u"Rated "_s)) << QToolTip::text().toStdString();
}

/// The bank's drawing, painted once.
struct DrawnBank {
    StayAlivePanel panel;
    BankDrawing* drawing = nullptr;
    explicit DrawnBank(const core::Job& job) {
        panel.resize(760, 300);
        panel.QWidget::show();
        panel.show(tests::factsOf(job), {}, {});
        QTest::mouseClick(panel.findChild<QToolButton*>(u"bankWiring"_s), Qt::LeftButton);
        drawing = panel.findChild<BankDrawing*>();
        (void)drawing->grab();
    }
    [[nodiscard]] QStringList jots() const {
        QStringList all;
        for (const SymbolBoard::Symbol& each : drawing->symbols()) all << each.jot;
        return all;
    }
};
TEST(BankDrawing, HasASymbolForWhatIsFittedAndEachLeadsToItsLine) {
    const core::Job can = jotted(
        shunter(), {"decoder middle", "bank can-1000u-25 charge 100R diode 0.35V", "clamp 18V"});
    DrawnBank drawn(can);
    EXPECT_TRUE(drawn.drawing->isVisible());
    EXPECT_EQ(drawn.jots(), (QStringList{u"charge "_s, u"diode "_s, u"clamp "_s, u"bank "_s}));
    EXPECT_TRUE(drawn.drawing->accessibleName().contains(u"Zener of 18 V"_s));
    // None lies over another, all lie within it.
    const auto& symbols = drawn.drawing->symbols();
    for (std::size_t a = 0; a < symbols.size(); ++a) {
        EXPECT_TRUE(QRectF(drawn.drawing->rect()).contains(symbols[a].where)) << a;
        for (std::size_t b = a + 1; b < symbols.size(); ++b) {
            EXPECT_FALSE(symbols[a].where.intersects(symbols[b].where)) << a << b;
        }
    }
    QSignalSpy offered(&drawn.panel, &StayAlivePanel::jotOffered);
    QTest::mouseClick(drawn.drawing, Qt::LeftButton, {}, symbols[2].where.center().toPoint());
    ASSERT_EQ(offered.size(), 1);
    EXPECT_EQ(offered.at(0).at(0).toString(), u"clamp "_s);
    // By key as well: on to the bank, and its line.
    QTest::keyClick(drawn.drawing, Qt::Key_Right);
    QTest::keyClick(drawn.drawing, Qt::Key_Return);
    EXPECT_EQ(offered.at(1).at(0).toString(), u"bank "_s);
    // A module has its resistor and its diode in it; without a bank there is nothing.
    EXPECT_EQ(DrawnBank(jotted(shunter(), {"decoder middle", "bank module-22m-18"})).jots(),
              QStringList{u"bank "_s});
    DrawnBank none(shunter());
    EXPECT_TRUE(none.jots().isEmpty());
    EXPECT_EQ(none.drawing->accessibleName(), u"No bank to wire"_s);
}
TEST(ConsequenceTable, SaysWhatFollowsALineEach) {
    const core::Job can = jotted(
        shunter(), {"track 14.5V", "decoder middle", "bank can-4700u-16 charge 100R diode 0.35V"});
    StayAlivePanel panel;
    panel.resize(760, 300);
    panel.QWidget::show();
    panel.show(tests::factsOf(can), {}, {});
    QTest::mouseClick(panel.findChild<QToolButton*>(u"bankFollows"_s), Qt::LeftButton);
    auto* table = panel.findChild<Table*>(u"consequences"_s);
    EXPECT_TRUE(table->isVisible());
    const auto all = core::stay_alive::consequencesOf(tests::factsOf(can));
    const auto& rows = table->content().rows;
    ASSERT_EQ(rows.size(), all.size());
    for (std::size_t i = 0; i < all.size(); ++i) {
        EXPECT_EQ(rows[i].cells[0].words, said(all[i].when));
        EXPECT_EQ(rows[i].cells[1].words, said(all[i].comes));
        EXPECT_EQ(rows[i].cells[2].words, qs(core::shown(all[i].figure)));
        EXPECT_EQ(rows[i].mark, all[i].state);
    }
    EXPECT_EQ(rows.front().mark, core::State::Close);  // the programming track
    // Shown anew it forgets what it showed.
    panel.show(tests::factsOf(shunter()), {}, {});
    EXPECT_TRUE(table->content().rows.empty());
}

TEST(VoltsTable, HangsTheLampsOnOtherVoltsWithAPress) {
    const core::Job job = jotted(tests::newJob("Holm Light", "lighthouse"),
                                 {"supply fixed dc 12V", "lamp lantern white 3.0V 20mA for 5mA",
                                  "inline lantern white 3.0V 20mA", "resistor lantern 1k5"});
    LampsPanel panel;
    panel.resize(900, 300);
    panel.QWidget::show();
    panel.show(tests::factsOf(job), {}, {});
    auto* page = panel.findChild<QToolButton*>(u"pageVolts"_s);
    EXPECT_TRUE(page->isVisible());
    QTest::mouseClick(page, Qt::LeftButton);
    auto* table = panel.findChild<Table*>(u"voltsTable"_s);
    EXPECT_TRUE(table->isVisible());
    const QString words = table->accessibleDescription();
    EXPECT_TRUE(words.contains(u"12 V, as it is"_s)) << words.toStdString();
    EXPECT_TRUE(words.contains(u"too low"_s));  // two whites on 5 V
    // A press for each that is lit and is not where it hangs.
    QStringList uses;
    for (const TableRow& row : table->content().rows) uses << row.line;
    EXPECT_EQ(uses, (QStringList{{}, u"supply fixed dc 9V"_s, {}, u"supply fixed dc 16V"_s}));
    QSignalSpy chosen(&panel, &LampsPanel::jotChosen);
    pressRow(*table, 2);  // as it is
    EXPECT_EQ(chosen.count(), 0);
    pressRow(*table, 1);
    EXPECT_EQ(chosen.at(0).at(0).toString(), u"supply fixed dc 9V"_s);
    EXPECT_TRUE(core::applyLine("supply fixed dc 9V", job, tests::smallCatalogue(), {}));
    // Behind a decoder there is no such choice; the page goes, and what was shown with it.
    panel.show(tests::factsOf(jotted(shunter(), {"lamp front white", "resistor front 1k"})), {},
               {});
    EXPECT_FALSE(page->isVisible());
    EXPECT_FALSE(table->isVisible());
}

TEST(Schematic, LampsAcrossEachOtherLieSideBySide) {
    const core::Job job =
        jotted(jotted(tests::newJob("Holm Light", "lighthouse"), {"supply ac 16V"}),
               {"lamp lantern white 3.0V 20mA", "twin lantern", "inline lantern red",
                "resistor lantern 1k", "parallel lantern white", "rectifier silicon",
                "toggle lantern 0.5A two-pole"});
    Schematic schematic;
    schematic.show(tests::factsOf(job), &job.groups.front(), {});
    schematic.resize(schematic.minimumSizeHint());
    (void)schematic.grab();
    const auto& symbols = schematic.symbols();
    QStringList jots;
    for (const auto& each : symbols) jots << each.jot;
    EXPECT_TRUE(jots.contains(u"twin lantern/1 "_s)) << jots.join(u'|').toStdString();
    EXPECT_TRUE(jots.contains(u"toggle lantern "_s));
    for (std::size_t a = 0; a < symbols.size(); ++a) {
        EXPECT_TRUE(QRectF(schematic.rect()).contains(symbols[a].where))
            << symbols[a].jot.toStdString();
        for (std::size_t b = a + 1; b < symbols.size(); ++b) {
            EXPECT_FALSE(symbols[a].where.intersects(symbols[b].where))
                << symbols[a].jot.toStdString() << " over " << symbols[b].jot.toStdString();
        }
    }
    // Each half of the AC has its share; what the twin takes is said where it is pointed at.
    const auto parallelLed = std::find_if(symbols.begin(), symbols.end(), [](const auto& each) {
        return each.jot.startsWith(u"twin "_s);
    });
    ASSERT_NE(parallelLed, symbols.end());
    EXPECT_TRUE(parallelLed->tip.contains(u"50 %"_s)) << parallelLed->tip.toStdString();
}

QStringList tipsOf(const core::Job& job) {
    Schematic schematic;
    schematic.resize(700, 260);
    schematic.show(tests::factsOf(job), &job.groups.front(), {});
    (void)schematic.grab();
    QStringList tips;
    for (const Schematic::Symbol& symbol : schematic.symbols())
        tips.append(symbol.tip + u" | "_s + symbol.jot);
    return tips;
}
bool anyContains(const QStringList& tips, const QString& words) {
    return std::any_of(tips.begin(), tips.end(),
                       [&](const QString& tip) { return tip.contains(words); });
}
TEST(Schematic, ShowsEveryPartOfTheCircuitWithWhatItRestsOn) {
    const core::Job job = jotted(shunter(), {"lamp front white 3.0V 20mA", "parallel front red",
                                             "resistor front/1 2k2", "shared front 47"});
    const QStringList tips = tipsOf(job);
    EXPECT_TRUE(anyContains(tips, u"white LED in front lamp/1, measured"_s));
    EXPECT_TRUE(anyContains(tips, u"assumed for its colour"_s));
    EXPECT_TRUE(anyContains(tips, u"Resistor of front lamp/1: 2.2 kΩ, chosen"_s));
    EXPECT_TRUE(anyContains(tips, u"Resistor of front lamp/2: not chosen yet"_s));
    EXPECT_TRUE(anyContains(tips, u"One resistor for all rows"_s));
    EXPECT_TRUE(anyContains(tips, u"| shared front lamp "_s));
}
TEST(Schematic, ShowsABulbAsABulb) {
    const auto picture = [](const core::Job& job) {
        Schematic schematic;
        schematic.resize(700, 260);
        schematic.show(tests::factsOf(job), &job.groups.front(), {});
        return schematic.grab().toImage();
    };
    const core::Job bulb = jotted(shunter(), {"bulb cab 16V 50mA"});
    EXPECT_TRUE(anyContains(tipsOf(bulb), u"16 V 50 mA bulb in cab lamp, as printed on it"_s));
    EXPECT_TRUE(anyContains(tipsOf(bulb), u"| bulb cab lamp "_s));
    const core::Job led = jotted(shunter(), {"lamp cab warm white", "resistor cab none"});
    EXPECT_NE(picture(bulb), picture(led));
    // Brighter with more volts.
    EXPECT_NE(picture(bulb), picture(jotted(bulb, {"resistor cab 150"})));
}
TEST(Schematic, DrawsWhatFeedsLampsOnTheRails) {
    const core::Job job = saloonOnRails();
    EXPECT_TRUE(anyContains(tipsOf(job), u"A bridge of silicon diodes"_s));
    EXPECT_TRUE(anyContains(tipsOf(job), u"| rectifier "_s));
    EXPECT_FALSE(anyContains(tipsOf(job), u"| smoothing "_s));
    const core::Job smooth = jotted(job, {"smoothing 47uF 25V"});
    EXPECT_TRUE(anyContains(tipsOf(smooth), u"| smoothing "_s));
    EXPECT_FALSE(anyContains(tipsOf(jotted(job, {"supply fixed dc"})), u"| rectifier "_s));
    const core::Job driven = jotted(job, {"driver roof 10mA"});
    EXPECT_TRUE(anyContains(tipsOf(driven), u"A driver keeps the current of roof lamp"_s));
    EXPECT_TRUE(anyContains(tipsOf(driven), u"| driver roof lamp "_s));
}
TEST(Schematic, AsksForABoardResistorThatIsNotKnown) {
    const core::Job unknown =
        jotted(shunter(), {"decoder board", "lamp front white", "resistor front 2k2"});
    EXPECT_TRUE(anyContains(tipsOf(unknown), u"is not known; none is assumed"_s));
    EXPECT_TRUE(
        anyContains(tipsOf(jotted(unknown, {"output front 680R"})), u"on the decoder's board"_s));
    EXPECT_FALSE(anyContains(tipsOf(jotted(unknown, {"output front bare"})), u"board"_s));
}
TEST(Schematic, LightsItsLampsByTheirCurrent) {
    const auto reds = [](const core::Job& job) {
        Schematic schematic;
        schematic.resize(500, 260);
        schematic.show(tests::factsOf(job), &job.groups.front(), {});
        const QImage image = schematic.grab().toImage();
        double sum = 0;
        for (int y = 0; y < image.height(); ++y) {
            for (int x = 0; x < 80; ++x) {
                const QColor c = image.pixelColor(x, y);
                sum += qMax(0, c.red() - (c.green() + c.blue()) / 2);
            }
        }
        return sum;
    };
    const core::Job job = jotted(shunter(), {"lamp rear red"});
    const double dark = reds(job);
    const double dim = reds(jotted(job, {"resistor rear 100k"}));
    EXPECT_LT(dark, dim);
    EXPECT_LT(dim, reds(jotted(job, {"resistor rear 1k"})));
}
TEST(Schematic, GrowsWithItsRowsAndSaysSoWhereThereIsNone) {
    const core::Job one = jotted(shunter(), {"lamp front white"});
    core::Job eight = one;
    for (int i = 0; i < 7; ++i) eight = jotted(eight, {"parallel front"});
    Schematic schematic;
    schematic.show(tests::factsOf(one), &one.groups.front(), {});
    const int narrow = schematic.minimumSizeHint().width();
    schematic.show(tests::factsOf(eight), &eight.groups.front(), {});
    EXPECT_GT(schematic.minimumSizeHint().width(), narrow + 5 * 100);
    schematic.show(tests::factsOf(one), nullptr, u"Nothing here."_s);
    const QImage words = schematic.grab().toImage();
    EXPECT_TRUE(schematic.symbols().empty());
    schematic.show(tests::factsOf(one), nullptr, {});
    EXPECT_GT(differing(words, schematic.grab().toImage()), 50);  // the words are painted
}

TEST(MotorPlot, TeachesWhereNothingIsMeasured) {
    MotorPlot plot;
    plot.resize(700, 270);
    plot.QWidget::show();
    const core::Job bare = tests::newJob("Bare", "dock-shunter", {});
    plot.show(tests::factsOf(bare), {}, {});
    QTest::qWait(20);
    const QImage empty = plot.grab().toImage();
    plot.show(tests::factsOf(shunter()), {}, {});
    QTest::qWait(20);
    EXPECT_GT(differing(empty, plot.grab().toImage()), 500);
}
TEST(MotorPlot, ABandLeadsToTheDecoderAndAPointToItsReading) {
    MotorPlot plot;
    plot.resize(700, 300);
    plot.QWidget::show();
    ASSERT_TRUE(QTest::qWaitForWindowExposed(&plot));
    plot.show(tests::factsOf(shunter()), {}, {});
    QTest::qWait(30);
    QWidget* canvas = plot.findChild<Plot*>()->surface();
    QSignalSpy offered(&plot, &MotorPlot::jotOffered);
    // A press walks over the whole plot: it meets the bands and, where points are, their readings.
    for (int x = 60; x < canvas->width(); x += 5) {
        for (int y = 10; y < canvas->height() - 50; y += 5)
            QTest::mouseClick(canvas, Qt::LeftButton, {}, QPoint(x, y));
    }
    QSet<QString> jots;
    for (const auto& call : offered) jots.insert(call.at(0).toString());
    EXPECT_EQ(jots, (QSet<QString>{u"decoder "_s, u"stall "_s, u"slip "_s, u"light "_s}));
}

}  // namespace
}  // namespace glimmet::app
