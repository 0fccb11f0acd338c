// The bench meter on a real socket: the stand-in that plays a job, and meters that misbehave.
#include "app/frame/bench_meter.h"

#include "app/measure/health_plot.h"
#include "app/measure/log_view.h"
#include "app/theme/words.h"
#include "benchmeter/server.h"
#include "core/analysis/motor_evidence.h"
#include "core/quantity/format.h"
#include "core/work/jot.h"
#include "core/work/measure/health_chart.h"
#include "core/work/measure/log_lines.h"
#include "open_window.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QSignalSpy>
#include <QTcpServer>
#include <QTest>
#include <QToolButton>

#include <gtest/gtest.h>

#include <random>

using namespace Qt::StringLiterals;

namespace glimmet::app {
namespace {

using benchmeter::StandIn;
using core::Dimension;
using tests::jotted;
using tests::shunter;

double number(const std::string& answer) { return core::scpi::reading(answer).value_or(-1); }

/// Ling as it is: 310 mA light, 440 hauling, 620 slipping; 12 V over 1.1 A stalled.
core::Job measured() {
    return jotted(shunter(), {"light 310mA 12V", "haul 440mA 12V", "slip 620mA 12V",
                              "stall 1.1A 12V", "lamp front white 2.9V 5mA", "wire red left rail"});
}

TEST(StandIn, PlaysWhatTheReadingsSayOfTheMotor) {
    StandIn bench(measured(), 1);
    EXPECT_EQ(bench.answer("*IDN?\n", 0).rfind("Glimmet,bench simulator,", 0), 0U);
    EXPECT_NEAR(number(bench.answer("MEAS:VOLT:DC?", 0)), 12, 0.1);
    EXPECT_NEAR(number(bench.answer("MEAS:CURR:DC?", 0)), 0, 1e-3);
    for (const auto& [deed, amps, tolerance] : {std::tuple{"HAND LIGHT", 0.31, 0.01},
                                                {"HAND haul", 0.44, 0.01},
                                                {"HAND SLIP", 0.62, 0.08}}) {
        EXPECT_EQ(bench.answer(deed, 0), "");
        EXPECT_NEAR(number(bench.answer("measure:current:dc?", 0)), amps, tolerance) << deed;
        // The leads drop a little of the supply's 12 V.
        EXPECT_NEAR(number(bench.answer("MEAS:VOLT:DC?", 0)), 12 - 0.15 * amps,
                    0.08 + tolerance * 2)
            << deed;
    }
    EXPECT_EQ(bench.answer("HAND?", 0), "SLIP");
    EXPECT_EQ(bench.answer("SYST:ERR?", 0), "0,\"No error\"");
}

TEST(StandIn, AStalledMotorWarmsUpAndTakesLessAndCoolsAgain) {
    StandIn bench(measured(), 1);
    bench.answer("HAND STALL", 0);
    const double cold = number(bench.answer("MEAS:CURR:DC?", 0));
    const double winding = core::motorPath(measured().units[0].motors[0])->value();
    EXPECT_NEAR(cold, 12 / (winding + 0.15), 0.06);
    const double warm = number(bench.answer("MEAS:CURR:DC?", 30));
    EXPECT_LT(warm, cold * 0.75);
    bench.answer("OUTP OFF", 30);
    EXPECT_EQ(number(bench.answer("MEAS:CURR:DC?", 30)), 0);
    bench.answer("HAND OHMS", 30);
    const double hot = number(bench.answer("MEAS:RES?", 30));
    const double cool = number(bench.answer("MEAS:RES?", 600));
    EXPECT_GT(hot, cool * 1.2);
    EXPECT_NEAR(cool, winding, winding * 0.04);
}

TEST(StandIn, LampsAndWiresAreThere) {
    StandIn bench(measured(), 1);
    bench.answer("HAND LAMP front lamp", 0);
    const double volts = number(bench.answer("MEAS:VOLT:DC?", 0));
    const double amps = number(bench.answer("MEAS:CURR:DC?", 0));
    EXPECT_NEAR(volts, 2.95, 0.15);
    EXPECT_NEAR(amps, (12 - volts) / 1000, 1e-4);
    bench.answer("HAND WIRE red TO left rail", 0);
    EXPECT_LT(number(bench.answer("MEAS:RES?", 0)), 1);
    // From rail to rail an ohmmeter reads the motor, which lies on both.
    bench.answer("HAND WIRE red TO right rail", 0);
    const double winding = core::motorPath(measured().units[0].motors[0])->value();
    EXPECT_NEAR(number(bench.answer("MEAS:RES?", 0)), winding + 0.22, winding * 0.04);
    bench.answer("HAND WIRE red TO frame", 0);
    EXPECT_EQ(core::scpi::reading(bench.answer("MEAS:RES?", 0)).error().code,
              core::ErrorCode::OutOfRange);
}

TEST(StandIn, WhatItDoesNotKnowGoesOnTheListOfErrors) {
    StandIn bench(measured(), 1);
    for (const char* wrong : {"HELLO", "VOLT 99", "VOLT x", "OUTP MAYBE", "HAND DANCE"}) {
        EXPECT_EQ(bench.answer(wrong, 0), "") << wrong;
        EXPECT_NE(bench.answer("SYST:ERR?", 0), "0,\"No error\"") << wrong;
    }
    EXPECT_EQ(bench.answer("", 0), "");
    EXPECT_EQ(bench.answer("SYST:ERR?", 0), "0,\"No error\"");
    bench.answer("VOLT 6", 0);
    EXPECT_NEAR(number(bench.answer("VOLT?", 0)), 6, 1e-9);
    EXPECT_NEAR(number(bench.answer("MEAS:VOLT:DC?", 0)), 6, 0.05);
}

/// A meter that answers as it was told to, line by line; nothing: it keeps silent.
class OddMeter {
public:
    using Answer = std::function<QByteArray(const QByteArray& line, int count)>;
    explicit OddMeter(Answer says) : m_answer(std::move(says)) {
        EXPECT_TRUE(m_server.listen(QHostAddress::LocalHost));
        QObject::connect(&m_server, &QTcpServer::newConnection, &m_server, [this] {
            QTcpSocket* socket = m_server.nextPendingConnection();
            QObject::connect(socket, &QTcpSocket::readyRead, socket, [this, socket] {
                while (socket->canReadLine()) {
                    const QByteArray answer = m_answer(socket->readLine().trimmed(), m_count++);
                    if (answer == "HANG UP") {
                        socket->write("+1.2");
                        socket->flush();
                        socket->disconnectFromHost();
                        return;
                    }
                    socket->write(answer);
                }
            });
        });
    }
    [[nodiscard]] core::scpi::Address address() const {
        return {"127.0.0.1", m_server.serverPort()};
    }

private:
    Answer m_answer;
    QTcpServer m_server;
    int m_count = 0;
};

/// What becomes of a hold for volts and amperes: the sentence, or "" where it was held.
QString outcome(BenchMeter& meter,
                std::vector<Dimension> wanted = {Dimension::Current, Dimension::Voltage}) {
    QSignalSpy failed(&meter, &BenchMeter::failed);
    QSignalSpy held(&meter, &BenchMeter::held);
    meter.setPatience({400, 1200});
    meter.hold(std::move(wanted));
    for (int i = 0; i < 300 && failed.isEmpty() && held.isEmpty(); ++i) QTest::qWait(10);
    EXPECT_EQ(failed.size() + held.size(), 1);
    EXPECT_FALSE(meter.holding());
    return failed.isEmpty() ? QString() : failed.at(0).at(0).toString();
}

TEST(BenchMeter, HoldsASettledReadingFromARealSocket) {
    benchmeter::Server server(StandIn(measured(), 7));
    ASSERT_TRUE(server.listen(0));
    BenchMeter meter;
    meter.setAddress({"127.0.0.1", server.port()});
    meter.send("HAND LIGHT");
    std::vector<BenchMeter::Held> values;
    QObject::connect(&meter, &BenchMeter::held, &meter, [&](const auto& held) { values = held; });
    EXPECT_EQ(outcome(meter), QString());
    ASSERT_EQ(values.size(), 2U);
    EXPECT_EQ(values[0].dimension, Dimension::Current);
    EXPECT_NEAR(values[0].value.mean, 0.31, 0.005);
    EXPECT_GT(values[0].value.scatter, 0);
    EXPECT_NEAR(values[1].value.mean, 11.95, 0.05);
    // Again, over the connection that stands.
    EXPECT_EQ(outcome(meter, {Dimension::Voltage}), QString());
    EXPECT_EQ(values.size(), 1U);
}

TEST(BenchMeter, SaysWhatIsWrongWithEachMeterThatMisbehaves) {
    const auto sentence = [](OddMeter::Answer answer) {
        OddMeter odd(std::move(answer));
        BenchMeter meter;
        meter.setAddress(odd.address());
        const QString first = outcome(meter);
        EXPECT_TRUE(first.endsWith(u'.')) << first.toStdString();
        return first;
    };
    EXPECT_TRUE(
        sentence([](const QByteArray&, int) { return QByteArray(); }).contains("like a meter"));
    EXPECT_TRUE(sentence([](const QByteArray&, int count) {
                    return QByteArray(count == 0 ? "A meter\n" : "");
                }).contains("in time"));
    EXPECT_TRUE(sentence([](const QByteArray&, int count) {
                    return QByteArray(count == 0 ? "A meter\n" : "hello world\n");
                }).contains("“hello world”"));
    EXPECT_TRUE(sentence([](const QByteArray&, int count) {
                    return QByteArray(count < 4 ? "1.0\n" : "HANG UP");
                }).contains("hung up"));
    EXPECT_TRUE(sentence([](const QByteArray&, int count) {
                    return count == 0 ? QByteArray("A meter\n") : QByteArray(9000, '1');
                }).contains("without end"));
    EXPECT_TRUE(sentence([](const QByteArray&, int count) {
                    return count == 0 ? QByteArray("A meter\n") : QByteArray("9.9E37\n");
                }).contains("overload"));
    EXPECT_TRUE(sentence([](const QByteArray&, int count) {
                    QTest::qWait(5);
                    return count == 0 ? QByteArray("A meter\n") : QByteArray::number(count) + "\n";
                }).contains("wanders between"));
}

TEST(BenchMeter, NobodyThereIsSaidAndALaterOneIsFound) {
    QTcpServer gone;
    ASSERT_TRUE(gone.listen(QHostAddress::LocalHost));
    const quint16 port = gone.serverPort();
    gone.close();
    BenchMeter meter;
    meter.setAddress({"127.0.0.1", port});
    EXPECT_TRUE(outcome(meter).contains("No meter answers at 127.0.0.1"));
    benchmeter::Server server(StandIn(measured(), 7));
    if (!server.listen(port)) GTEST_SKIP() << "another program took the port meanwhile";
    EXPECT_EQ(outcome(meter, {Dimension::Voltage}), QString());
}

TEST(BenchMeter, ALateAnswerIsNotTakenForTheNextReading) {
    // It answers the amperes of the first hold only after the second hold has begun.
    OddMeter odd([](const QByteArray& line, int) {
        if (line == "*IDN?") return QByteArray("A meter\n");
        if (line == "MEAS:CURR:DC?") QTest::qWait(60);
        return QByteArray(line == "MEAS:CURR:DC?" ? "0.5\n" : "12\n");
    });
    BenchMeter meter;
    meter.setAddress(odd.address());
    meter.hold({Dimension::Current});
    QTest::qWait(40);
    std::vector<BenchMeter::Held> values;
    QObject::connect(&meter, &BenchMeter::held, &meter, [&](const auto& held) { values = held; });
    EXPECT_EQ(outcome(meter, {Dimension::Voltage}), QString());
    ASSERT_EQ(values.size(), 1U);
    EXPECT_EQ(values[0].value.mean, 12);
}

TEST(Jot, KnowsWhatAMeterCanPutIntoALine) {
    const auto measurable = [](const char* line) { return core::measurable(line).dimensions; };
    EXPECT_TRUE(core::measurable("stall").momentary);
    EXPECT_FALSE(core::measurable("slip").momentary);
    const std::vector both{Dimension::Current, Dimension::Voltage};
    EXPECT_EQ(measurable("light"), both);
    EXPECT_EQ(measurable("  STALLED "), both);
    EXPECT_EQ(measurable("light 310mA"), std::vector{Dimension::Voltage});
    EXPECT_TRUE(measurable("light 310mA 12V").empty());
    EXPECT_EQ(measurable("ohms 9.8ohms"), std::vector{Dimension::Resistance});
    EXPECT_EQ(measurable("track"), std::vector{Dimension::Voltage});
    EXPECT_TRUE(measurable("").empty());
    EXPECT_TRUE(measurable("dance").empty());
    EXPECT_TRUE(measurable("name light").empty());
    EXPECT_EQ(core::asJot(Dimension::Current, 0.18123), "181.2mA");
    EXPECT_EQ(core::asJot(Dimension::Resistance, 10.912), "10.91Ω");
}

TEST(HoldButton, PutsWhatTheMeterReadsIntoTheLine) {
    tests::OpenWindow app;
    auto* hold = app.find<QPushButton>(u"holdButton"_s);
    EXPECT_FALSE(hold->isVisible());
    QTest::keyClick(&app.window(), Qt::Key_F2);
    EXPECT_TRUE((app.words(u"noticeWords"_s).find("Ctrl+H") != std::string::npos))
        << app.words(u"noticeWords"_s);

    benchmeter::Server server(StandIn(measured(), 7));
    ASSERT_TRUE(server.listen(0));
    app.bench().openWorkshopRecord();
    ASSERT_TRUE(app.bench().take(u"meter 127.0.0.1:%1"_s.arg(server.port())));
    const auto jobs = app.bench().workshop()->jobs();
    app.bench().openJob(jobs->front().id);
    EXPECT_TRUE(hold->isVisible());
    auto* line = app.find<QLineEdit>(u"jot"_s);
    line->clear();
    QTest::keyClick(line, Qt::Key_F2);
    EXPECT_TRUE((app.words(u"noticeWords"_s).find("Begin a line") != std::string::npos))
        << app.words(u"noticeWords"_s);

    // What the hands of the simulated bench do is offered once it has said who it is.
    line->setText(u"track"_s);
    QTest::mouseClick(hold, Qt::LeftButton);
    EXPECT_TRUE(QTest::qWaitFor([&] { return line->text().startsWith(u"track 1"_s); }));
    auto* hands = app.find<QToolButton>(u"handsButton"_s);
    EXPECT_TRUE(QTest::qWaitFor([&] { return hands->isVisible(); }));
    for (QAction* deed : hands->menu()->actions()) {
        if (deed->text() == u"stall"_s) deed->trigger();
    }
    line->setText(u"stall"_s);
    QTest::keyClick(line, Qt::Key_F2);
    EXPECT_TRUE(QTest::qWaitFor([&] { return line->text().endsWith(u'V'); }, 3000))
        << line->text().toStdString() << app.words(u"noticeWords"_s);
    const std::size_t before = app.bench().job().units[0].motors[0].readings.size();
    QTest::keyClick(line, Qt::Key_Return);
    const auto& readings = app.bench().job().units[0].motors[0].readings;
    ASSERT_EQ(readings.size(), before + 1);
    EXPECT_EQ(readings.back().condition, core::MotorCondition::Stalled);
    EXPECT_NEAR(readings.back().amps.value(), 1.28, 0.1);
}

QByteArray log() {
    std::mt19937 random(3);
    std::normal_distribution<> normal;
    QByteArray words = "t;U;I\n";
    int tenths = 0;
    for (const auto& [seconds, volts, amps] : {std::tuple{3, 0.0, 0.0},
                                               {10, 12.0, 0.2},
                                               {8, 12.0, 0.35},
                                               {5, 11.9, 0.6},
                                               {3, 6.0, 0.75}}) {
        for (int i = 0; i < seconds * 10; ++i, ++tenths) {
            words += QByteArray::number(tenths / 10.0) + ';' +
                     QByteArray::number(volts * (1 + 0.002 * normal(random))) + ';' +
                     QByteArray::number(amps * (1 + 0.02 * normal(random))) + '\n';
        }
    }
    return words;
}

class LogViewTest : public testing::Test {
protected:
    LogViewTest() {
        view.resize(900, 300);
        view.setJob(shunter());
        view.show();
    }
    void open(const QByteArray& words) {
        tests::Scratch::write(scratch.file("log.csv"), words);
        view.open(scratch.file("log.csv"));
        ASSERT_TRUE(QTest::qWaitFor([&] { return !view.busy() && !view.parts().empty(); }));
        QTest::qWait(60);
    }
    tests::Scratch scratch;
    LogView view;
};

TEST_F(LogViewTest, CutsALogIntoLinesOfTheBench) {
    open(log());
    const QStringList lines = view.lines();
    ASSERT_EQ(lines.size(), 4);
    EXPECT_TRUE(lines[0].startsWith(u"light 20"_s) || lines[0].startsWith(u"light 199"_s))
        << lines[0].toStdString();
    EXPECT_TRUE(lines[1].startsWith(u"haul 3"_s));
    EXPECT_TRUE(lines[2].startsWith(u"slip "_s));
    EXPECT_TRUE(lines[3].startsWith(u"stall 7"_s)) << lines[3].toStdString();
    QSignalSpy chosen(&view, &LogView::linesChosen);
    QTest::keyClick(&view, Qt::Key_Return);
    EXPECT_EQ(chosen.at(0).at(0).toStringList(), lines);
}

TEST_F(LogViewTest, EdgesAreDraggedAndPartsAreNamedByHand) {
    open(log());
    ASSERT_EQ(view.parts().size(), 5U);
    auto* plot = view.findChild<QWidget*>(u""_s, Qt::FindChildrenRecursively);
    for (QWidget* each : view.findChildren<QWidget*>()) {
        if (each->inherits("QCustomPlot")) plot = each;
    }
    ASSERT_NE(plot, nullptr);
    const auto at = [&](double seconds) { return plot->mapFrom(&view, view.placeOf(seconds)); };
    // The edge between light running and hauling, at 13 s, is drawn to 15 s.
    QTest::mousePress(plot, Qt::LeftButton, {}, at(13));
    QMouseEvent move(QEvent::MouseMove, QPointF(at(15)), plot->mapToGlobal(QPointF(at(15))),
                     Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(plot, &move);
    QTest::mouseRelease(plot, Qt::LeftButton, {}, at(15));
    EXPECT_NEAR(static_cast<double>(view.parts()[1].to), 150, 3);
    EXPECT_EQ(view.parts()[1].to, view.parts()[2].from);
    EXPECT_GT(view.parts()[1].amps.value(), 0.215);  // some of the hauling is in it now
    EXPECT_EQ(view.parts()[1].condition, core::MotorCondition::Light);
    // A press chooses a part, the next names it otherwise.
    QTest::mouseClick(plot, Qt::LeftButton, {}, at(23));
    EXPECT_EQ(view.parts()[3].condition, core::MotorCondition::Slipping);
    QTest::mouseClick(plot, Qt::LeftButton, {}, at(23));
    EXPECT_EQ(view.parts()[3].condition, core::MotorCondition::Stalled);
    QTest::keyClick(&view, Qt::Key_0);
    EXPECT_EQ(view.parts()[3].condition, std::nullopt);
    EXPECT_EQ(view.lines().size(), 3);
    QTest::keyClick(&view, Qt::Key_H);
    EXPECT_EQ(view.parts()[3].condition, core::MotorCondition::Hauling);
    // The edge before it, by keys.
    const std::size_t edge = view.parts()[3].from;
    QTest::keyClick(&view, Qt::Key_Left, Qt::ShiftModifier);
    EXPECT_EQ(view.parts()[3].from, edge - 1);
    EXPECT_EQ(view.parts()[2].to, edge - 1);
    QTest::keyClick(&view, Qt::Key_Left);
    QTest::keyClick(&view, Qt::Key_S);
    EXPECT_EQ(view.parts()[2].condition, core::MotorCondition::Slipping);
}

TEST_F(LogViewTest, AHeadThatWasGuessedWronglyIsPutRight) {
    open(log());
    auto* volts = view.findChild<QToolButton*>(u"logVolts"_s);
    ASSERT_NE(volts, nullptr);
    EXPECT_EQ(volts->text(), u"volts: U in V"_s);
    for (QAction* action : volts->menu()->actions()) {
        if (action->text() == u"no column"_s) action->trigger();
    }
    ASSERT_TRUE(QTest::qWaitFor([&] { return !view.busy(); }));
    QTest::qWait(30);
    EXPECT_FALSE(view.lines().join(u' ').contains(u'V'));
    EXPECT_EQ(view.lines().first().section(u' ', 0, 0), u"light"_s);
}

TEST_F(LogViewTest, WhatIsNoLogIsRefusedWithItsName) {
    QSignalSpy refused(&view, &LogView::refused);
    tests::Scratch::write(scratch.file("letter.csv"), "Dear owner,\nthe model is ready.\n");
    view.open(scratch.file("letter.csv"));
    ASSERT_TRUE(QTest::qWaitFor([&] { return refused.size() == 1; }));
    EXPECT_TRUE(refused.at(0).at(0).toString().startsWith(u"letter.csv: "_s));
    view.open(scratch.file("gone.csv"));
    EXPECT_TRUE(refused.at(1).at(0).toString().contains(u"gone.csv"_s));
    EXPECT_TRUE(view.parts().empty());
}

TEST(MeasurePanel, ALogBecomesOneChangeThatIsUndoneAsOne) {
    tests::OpenWindow app;
    app.bench().goTo("measure");
    tests::Scratch scratch;
    tests::Scratch::write(scratch.file("log.csv"), log());
    auto* panel = app.find<StagePanel>(u"measurePanel"_s);
    EXPECT_FALSE(panel->takeFile(scratch.file("picture.png")));
    ASSERT_TRUE(panel->takeFile(scratch.file("log.csv")));
    auto* view = app.find<LogView>(u"logView"_s);
    ASSERT_TRUE(QTest::qWaitFor([&] { return !view->parts().empty(); }));
    QTest::qWait(30);
    const core::Job before = app.bench().job();
    const qsizetype count = view->lines().size();
    QTest::mouseClick(app.find<QPushButton>(u"logTake"_s), Qt::LeftButton);
    EXPECT_EQ(app.bench().job().units[0].motors[0].readings.size(),
              before.units[0].motors[0].readings.size() + static_cast<std::size_t>(count));
    EXPECT_FALSE(view->isVisible());
    ASSERT_TRUE(app.bench().undo());
    EXPECT_EQ(app.bench().job(), before);
    // Refused as a whole, the log stays to be put right; with another model it goes.
    ASSERT_TRUE(panel->takeFile(scratch.file("log.csv")));
    ASSERT_TRUE(QTest::qWaitFor([&] { return !view->busy() && !view->parts().empty(); }));
    QTest::qWait(30);
    emit view->linesChosen({u"light 200mA 12V"_s, u"stall 1A"_s});
    EXPECT_TRUE(view->isVisible());
    EXPECT_EQ(app.bench().job(), before);
    app.bench().openJob(app.bench().workshop()->jobs()->at(1).id);
    app.bench().goTo("measure");
    EXPECT_FALSE(view->isVisible());
}

TEST(Bench, OneRefusedLineKeepsAllOfThemOut) {
    tests::OpenWindow app;
    const core::Job before = app.bench().job();
    QSignalSpy failed(&app.bench(), &Bench::failed);
    EXPECT_FALSE(app.bench().takeAll({u"light 200mA 12V"_s, u"stall 1A"_s}));
    EXPECT_EQ(app.bench().job(), before);
    EXPECT_TRUE(failed.at(0).at(0).toString().startsWith(u"stall 1A: "_s));
}

TEST(HealthPlot, ShowsLightRunningByItsDays) {
    core::Job job = shunter();
    HealthPlot plot;
    EXPECT_FALSE(plot.show(tests::factsOf(job)));
    auto& readings = job.units[0].motors[0].readings;
    using core::MotorCondition;
    readings = {
        {MotorCondition::Light, core::Volts{12}, core::Amperes{0.23}, "2025-05-04"},
        {MotorCondition::Light, core::Volts{6}, core::Amperes{0.15}, "2025-06-01"},
        {MotorCondition::Slipping, core::Volts{12}, core::Amperes{0.6}, "2025-07-01"},
        {MotorCondition::Light, core::Volts{12}, core::Amperes{0.9}, "2025-08-01", false, true},
        {MotorCondition::Light, core::Volts{12}, core::Amperes{0.2}, ""},
        {MotorCondition::Light, core::Volts{11.5}, core::Amperes{0.31}, "2026-03-02"}};
    const auto chart = core::measure::healthChart(tests::factsOf(job));
    ASSERT_TRUE(chart);
    ASSERT_EQ(chart->points.size(), 3U);
    EXPECT_EQ(chart->points[1].day - chart->points[0].day, 28);
    EXPECT_EQ(chart->points[2].day - chart->points[0].day, 302);
    EXPECT_TRUE(chart->points[0].alike);
    EXPECT_FALSE(chart->points[1].alike);
    EXPECT_NEAR(chart->first->value(), 0.23, 1e-12);
    EXPECT_NEAR(chart->worn->value(), 0.23 * 4 / 3, 1e-12);
    EXPECT_TRUE(plot.show(tests::factsOf(job)));
    EXPECT_EQ(plot.accessibleName(), u"Light current over time: first 230 mA, last 310 mA"_s);
    // One whose volts were not noted is shown, and compared with nothing.
    readings.push_back({MotorCondition::Light, {}, core::Amperes{0.5}, "2026-04-02"});
    EXPECT_NEAR(core::measure::healthChart(tests::factsOf(job))->first->value(), 0.23, 1e-12);
    EXPECT_FALSE(core::measure::healthChart(tests::factsOf(job))->points.back().alike);
    readings.pop_back();
    readings.pop_back();
    EXPECT_TRUE(plot.show(tests::factsOf(job)));  // 12 V and 6 V: shown, not compared
    EXPECT_FALSE(core::measure::healthChart(tests::factsOf(job))->first);
    for (auto& reading : readings) reading.on = "2025-05-04";
    EXPECT_FALSE(plot.show(tests::factsOf(job)));
    // Others of its type give it something to be held against, at like volts.
    core::JobAnalysis facts = tests::factsOf(job);
    const auto other = [](const char* name, double volts, double amps) {
        core::SameType made{2, name, core::TakenReading{}, ""};
        made.light = {MotorCondition::Light, core::Volts{volts}, core::Amperes{amps}, "2026-01-01"};
        return made;
    };
    facts.sameType = {other("No. 5", 20, 0.2)};
    EXPECT_FALSE(plot.show(facts));
    facts.sameType.push_back(
        other("No. 6", facts.job.units[0].motors[0].readings.back().volts->value(), 0.2));
    EXPECT_TRUE(plot.show(facts));
    const auto beside = core::measure::healthChart(facts);
    ASSERT_EQ(beside->sameType.size(), 1U);
    EXPECT_EQ(beside->sameType[0].name, "No. 6");
}

}  // namespace
}  // namespace glimmet::app
