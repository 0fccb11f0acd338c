// The program itself: exit status, what goes to which stream.
#include "support/program.h"

#include "support/sanitized.h"
#include "support/scratch.h"

#include <QProcess>
#include <QString>

#include <gtest/gtest.h>
#include <sys/stat.h>

#include <algorithm>

namespace {

using glimmet::tests::Ended;
Ended run(const QStringList& arguments, const QByteArray& input = {}) {
    return glimmet::tests::run(QStringLiteral(CLI_PROGRAM), arguments, input);
}
const QByteArray heavyWire =
    R"({"awg":40,"length_mm":250,"amps_A":0.3,"volts_V":13,"there_and_back":true})";

TEST(Program, ReadsStandardInputAndFiles) {
    const Ended piped = run({"reckon", "wire"}, heavyWire);
    EXPECT_EQ(piped.status, 0);
    EXPECT_NE(piped.out.find("\"state\":\"over\""), std::string::npos);
    const glimmet::tests::Scratch scratch;
    glimmet::tests::Scratch::write(scratch.file("wire.json"), heavyWire);
    EXPECT_EQ(run({"reckon", "wire", scratch.file("wire.json")}).out, piped.out);
    EXPECT_EQ(run({"reckon", "wire", "-"}, heavyWire).out, piped.out);
}
TEST(Program, ExitsWithOneForOverOnlyWhenStrict) {
    EXPECT_EQ(run({"reckon", "wire", "--strict"}, heavyWire).status, 1);
    EXPECT_EQ(run({"check", DEMO_FOLDER "/tern.json", "--strict"}).status, 0);
}
TEST(Program, ExitsWithTwoAndOneLineForEachFault) {
    const Ended faulty =
        run({"reckon", "wire", "-"}, R"({"awg":40,"length_mm":-1,"amps_A":"x","volts_V":13})");
    EXPECT_EQ(faulty.status, 2);
    EXPECT_EQ(faulty.out, "");
    EXPECT_EQ(faulty.err,
              "-: /length_mm: found -1, allowed: a number, 0 or more\n"
              "-: /amps_A: found \"x\", allowed: a number, 0 or more\n"
              "-: /there_and_back: found nothing, allowed: true or false\n");
    for (const QStringList& arguments : {QStringList{},
                                         {"reckon", "soup"},
                                         {"reckon", "wire", "/nonexistent"},
                                         {"spice", "/nonexistent"},
                                         {"spice", "/"},
                                         {"check", "/"},
                                         {"check", "/nonexistent"},
                                         {"check"},
                                         {"fly"},
                                         {"check", "--job"}}) {
        const Ended refused = run(arguments);
        EXPECT_EQ(refused.status, 2) << arguments.join(QChar(' ')).toStdString();
        EXPECT_NE(refused.err, "");
    }
}
TEST(Program, RefusesPipesDevicesFoldersAndOddNamesAtOnce) {
    const glimmet::tests::Scratch scratch;
    const QString pipe = scratch.file("pipe");
    ASSERT_EQ(::mkfifo(pipe.toUtf8().constData(), 0600), 0);
    for (const QStringList& command : {QStringList{"check"},
                                       {"spice"},
                                       {"reckon", "wire"},
                                       {"export"},
                                       {"import", scratch.file("w.glimmet")},
                                       {"import"}}) {
        for (const QString& path : {pipe, QStringLiteral("/dev/zero"), scratch.file(".")}) {
            QStringList arguments = command + QStringList{path};
            if (arguments.size() == 2 && command[0] == u"import") {
                arguments.append(QStringLiteral(DEMO_FOLDER "/ling.json"));
            }
            const Ended refused = run(arguments);
            EXPECT_EQ(refused.status, 2) << arguments.join(QChar(' ')).toStdString();
            EXPECT_EQ(refused.out, "");
            EXPECT_EQ(std::count(refused.err.begin(), refused.err.end(), '\n'), 1) << refused.err;
        }
    }
    const std::string odd = "\"" CLI_PROGRAM "\" check \"$(printf 'a\\377b.json')\" 2>&1; echo $?";
    QProcess shell;
    shell.start(QStringLiteral("/bin/sh"), {QStringLiteral("-c"), QString::fromStdString(odd)});
    ASSERT_TRUE(shell.waitForFinished(30000));
    EXPECT_EQ(shell.readAllStandardOutput().toStdString(),
              "a\\xffb.json: /: found a name that is no UTF-8, allowed: UTF-8 (rename the file, or "
              "give it a link with another name)\n2\n");
}
TEST(Program, SaysSoWhenMemoryRunsOut) {
    if (glimmet::tests::sanitized) {
        GTEST_SKIP() << "the address sanitizer reserves more than any limit that could be set";
    }
    // Sixteen megabytes of small objects needs far more than its size to be read.
    const glimmet::tests::Scratch scratch;
    const QString path = scratch.file("large.json");
    QByteArray large = "[";
    for (int i = 0; i < 2000000; ++i) large += "{\"a\":1},";
    large += "1]";
    glimmet::tests::Scratch::write(path, large);
    const QString limited =
        QStringLiteral("ulimit -v 400000; \"" CLI_PROGRAM "\" reckon wire \"%1\"; echo $?")
            .arg(path);
    QProcess shell;
    shell.start(QStringLiteral("/bin/sh"), {QStringLiteral("-c"), limited});
    ASSERT_TRUE(shell.waitForFinished(60000));
    EXPECT_EQ(shell.readAllStandardOutput().toStdString(), "2\n");
    EXPECT_EQ(shell.readAllStandardError().toStdString(),
              "glimmet-cli: there is not enough memory for this; nothing was changed\n");
}
TEST(Program, PrintsNumbersWithEveryDigit) {
    const Ended third = run({"reckon", "momentum"}, R"({"cv3":1,"cv4":1,"top_kmh":1,"scale":3})");
    EXPECT_NE(third.out.find("\"stop_mm\":41.4814814814814"), std::string::npos) << third.out;
}

}  // namespace
