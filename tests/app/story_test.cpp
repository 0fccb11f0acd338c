// The story of a first evening with Glimmet, with the real program in a real window: a reading, a
// verdict, undo, a lamp and its resistor, a kill, and everything there again. Keys are typed into
// the window by xdotool; what came of them is read from the window's title and, by glimmet-cli,
// from the workshop file.
#include "support/scratch.h"

#include <QDir>
#include <QElapsedTimer>
#include <QProcess>
#include <QThread>

#include <gtest/gtest.h>

#include <csignal>

namespace {

using namespace Qt::StringLiterals;

/// An X server of its own, without a monitor.
class Display {
public:
    Display() {
        // -noreset: else the server starts over when the killed program, its only client, is gone,
        // and may drop the next one. -displayfd makes the server choose a free number and write it
        // out when it is ready.
        m_server.setProcessChannelMode(QProcess::SeparateChannels);
        m_server.start(u"Xvfb"_s, {u"-displayfd"_s, u"1"_s, u"-screen"_s, u"0"_s, u"1280x800x24"_s,
                                   u"-noreset"_s, u"-nolisten"_s, u"tcp"_s});
        if (m_server.waitForReadyRead(20000))
            m_name = u":"_s + QString::fromLatin1(m_server.readLine().trimmed());
    }
    ~Display() {
        m_server.terminate();
        m_server.waitForFinished(5000);
    }
    [[nodiscard]] QString name() const { return m_name; }

private:
    QProcess m_server;
    QString m_name;
};

class Story : public testing::Test {
protected:
    void SetUp() override {
        ASSERT_FALSE(m_display.name().isEmpty()) << "Xvfb did not start";
        m_environment = QProcessEnvironment::systemEnvironment();
        m_environment.insert(u"DISPLAY"_s, m_display.name());
        m_environment.insert(u"QT_QPA_PLATFORM"_s, u"xcb"_s);
        m_environment.insert(u"HOME"_s, m_scratch.file("home"));
        m_environment.insert(u"XDG_CONFIG_HOME"_s, m_scratch.file("config"));
        m_environment.insert(u"XDG_DATA_HOME"_s, m_scratch.file("data"));
        m_environment.insert(u"XDG_RUNTIME_DIR"_s, m_scratch.file("run"));
        QDir().mkpath(m_scratch.file("home"));
        QDir().mkpath(m_scratch.file("run"));
    }
    void TearDown() override { kill(); }

    void start(const QStringList& arguments) {
        m_app = std::make_unique<QProcess>();
        m_app->setProcessEnvironment(m_environment);
        m_app->start(QStringLiteral(APP_PROGRAM), arguments);
        ASSERT_TRUE(m_app->waitForStarted(10000));
        m_window.clear();
        ASSERT_TRUE(until([&] {
            m_window = xdotool({u"search"_s, u"--onlyvisible"_s, u"--pid"_s,
                                QString::number(m_app->processId()), u"--name"_s, u"Glimmet"_s})
                           .split(u'\n')
                           .first();
            return !m_window.isEmpty();
        })) << "no window came up";
        // Without a window manager nobody gives a new window the keyboard.
        xdotool({u"windowfocus"_s, u"--sync"_s, m_window});
    }
    /// kill -9: the program gets no chance to tidy up.
    void kill() {
        if (m_app && m_app->state() == QProcess::Running) {
            ::kill(static_cast<pid_t>(m_app->processId()), SIGKILL);
            m_app->waitForFinished(5000);
        }
    }
    QString xdotool(const QStringList& arguments) {
        QProcess process;
        process.setProcessEnvironment(m_environment);
        process.start(u"xdotool"_s, arguments);
        process.waitForFinished(10000);
        return QString::fromUtf8(process.readAllStandardOutput()).trimmed();
    }
    void type(const QString& line) {
        key(u"ctrl+j"_s);
        xdotool({u"type"_s, u"--delay"_s, u"15"_s, line});
        key(u"Return"_s);
    }
    void key(const QString& keys) { xdotool({u"key"_s, keys}); }
    QString title() { return xdotool({u"getwindowname"_s, m_window}); }
    bool titleComesToHold(const QString& words) {
        return until([&] { return title().contains(words); });
    }
    static bool until(const std::function<bool()>& holds) {
        QElapsedTimer timer;
        timer.start();
        while (timer.elapsed() < 20000) {
            if (holds()) return true;
            QThread::msleep(40);
        }
        return false;
    }
    QString demoFile() {
        QDir folder(m_scratch.file("data") + u"/glimmet/glimmet/demo"_s);
        const QStringList files = folder.entryList({u"*.glimmet"_s}, QDir::Files);
        return files.size() == 1 ? folder.filePath(files.first()) : QString();
    }
    QString checkedByCli() {
        QProcess process;
        process.start(QStringLiteral(CLI_PROGRAM),
                      {u"check"_s, demoFile(), u"--job"_s, u"No. 4 \"Ling\""_s});
        process.waitForFinished(10000);
        return QString::fromUtf8(process.readAllStandardOutput() + process.readAllStandardError());
    }

    Display m_display;
    glimmet::tests::Scratch m_scratch;
    QProcessEnvironment m_environment;
    std::unique_ptr<QProcess> m_app;
    QString m_window;
};

TEST_F(Story, FromAReadingToAVerdictThroughAKillAndBack) {
    start({u"--demo"_s});
    ASSERT_TRUE(titleComesToHold(u"Stay-alive · Over: Stops on the dead 28 mm of points 1:9"_s))
        << title().toStdString();
    // Wheels that collect are put right before anything else, and a live frog for the points.
    type(u"axle 1 both"_s);
    ASSERT_TRUE(titleComesToHold(u"Measure · Close: The black wire goes to the right rail"_s))
        << title().toStdString();

    // What stood at intake is put right, what the owner said is answered.
    key(u"ctrl+1"_s);
    ASSERT_TRUE(titleComesToHold(u"Intake · Close: Dry, hard grease"_s)) << title().toStdString();
    type(u"fault dry-grease mended"_s);
    ASSERT_TRUE(titleComesToHold(u"Dry, hard grease was put right: look again"_s))
        << title().toStdString();
    type(u"fault dry-grease proved"_s);
    ASSERT_TRUE(titleComesToHold(u"Buffers and couplers: bent front left"_s))
        << title().toStdString();
    type(u"oiled gears"_s);
    key(u"ctrl+2"_s);
    ASSERT_TRUE(titleComesToHold(u"DC test · Fine: It runs on plain DC"_s))
        << title().toStdString();

    type(u"stall 1.3A 12V"_s);
    ASSERT_TRUE(titleComesToHold(u"Measure"_s)) << title().toStdString();
    key(u"ctrl+4"_s);
    ASSERT_TRUE(
        titleComesToHold(u"Close: Fits by the slip rule, but close: stalled it would draw 1.6 A"_s))
        << title().toStdString();
    EXPECT_TRUE(checkedByCli().contains(
        u"close Fits by the slip rule, but close: stalled it would draw 1.6 A"_s));

    key(u"ctrl+z"_s);
    ASSERT_TRUE(titleComesToHold(u"Fits by the slip rule: stalled it would draw 1.36 A"_s))
        << title().toStdString();
    EXPECT_TRUE(
        checkedByCli().contains(u"fine  Fits by the slip rule: stalled it would draw 1.36 A"_s));
    key(u"ctrl+shift+z"_s);
    ASSERT_TRUE(titleComesToHold(u"1.6 A"_s)) << title().toStdString();

    key(u"ctrl+5"_s);
    ASSERT_TRUE(titleComesToHold(u"Lamps"_s));
    type(u"lamp front white on front"_s);
    ASSERT_TRUE(titleComesToHold(u"Front lamp has no resistor yet"_s)) << title().toStdString();
    key(u"ctrl+Return"_s);  // the first option
    ASSERT_TRUE(titleComesToHold(u"Front lamp works"_s)) << title().toStdString();

    kill();
    EXPECT_TRUE(checkedByCli().contains(u"Front lamp works"_s)) << checkedByCli().toStdString();

    start({});  // the last workshop again
    ASSERT_TRUE(titleComesToHold(u"No. 4"_s)) << title().toStdString();
    key(u"ctrl+4"_s);
    ASSERT_TRUE(
        titleComesToHold(u"Close: Fits by the slip rule, but close: stalled it would draw 1.6 A"_s))
        << title().toStdString();
    key(u"ctrl+5"_s);
    ASSERT_TRUE(titleComesToHold(u"lamp works"_s)) << title().toStdString();
    // Undo reaches back over the kill.
    key(u"ctrl+z"_s);
    ASSERT_TRUE(titleComesToHold(u"Front lamp has no resistor yet"_s)) << title().toStdString();
}

}  // namespace
