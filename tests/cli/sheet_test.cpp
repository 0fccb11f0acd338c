// Sheets: as a page, as text, and on A4 as another program reads it.
#include "sheets/sheet.h"

#include "cli/sheet.h"
#include "core/work/sheets.h"
#include "support/program.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <gtest/gtest.h>

namespace glimmet {
namespace {

using core::text;
using core::verbatim;
using namespace Qt::StringLiterals;

core::Sheet small() {
    core::Sheet sheet{text("Wiring of %1", "<Ling> & Tern"), text("soft words"), {}};
    sheet.sections.push_back(
        {text("Wires"),
         {text("first")},
         {{text("wire"), text("to")},
          {{verbatim("W1"), verbatim("motor plus")}, {verbatim("W12"), verbatim("frame")}}}});
    sheet.sections.push_back({text("Not known yet"), {text("who did it")}, {}, true});
    return sheet;
}

TEST(Sheet, AsTextItsTablesStandInColumns) {
    EXPECT_EQ(sheets::plainText(small()).toStdString(),
              "Wiring of <Ling> & Tern\nsoft words\n\nWires\n  first\n"
              "  wire  to\n  W1    motor plus\n  W12   frame\n\n"
              "Not known yet\n  [ ] who did it\n");
}
TEST(Sheet, AsAPageItSaysTheSameAndNoWordsAreMarkup) {
    const QString page = sheets::html(small());
    EXPECT_TRUE(page.startsWith(u"<!DOCTYPE html>"_s));
    EXPECT_TRUE(page.contains(u"<h1>Wiring of &lt;Ling&gt; &amp; Tern</h1>"_s));
    EXPECT_FALSE(page.contains(u"<Ling>"_s));
    EXPECT_TRUE(page.contains(u"<td>W12</td><td>frame</td>"_s));
    EXPECT_TRUE(page.contains(u"<p>☐ who did it</p>"_s));
    EXPECT_FALSE(page.contains(u"http"_s)) << "a sheet needs nothing from elsewhere";
}

/// The words of a PDF, a line each, as they lie on the page.
std::string wordsOf(const QByteArray& pdf) {
    const tests::Scratch scratch;
    tests::Scratch::write(scratch.file("sheet.pdf"), pdf);
    return tests::run(u"pdftotext"_s, {u"-layout"_s, scratch.file("sheet.pdf"), u"-"_s}).out;
}
tests::Ended program(const QStringList& arguments) {
    return tests::run(QStringLiteral(CLI_PROGRAM), arguments);
}

TEST(Sheet, OnA4ItsTextIsReadBackByAnotherProgram) {
    const QString ling = QStringLiteral(DEMO_FOLDER "/ling.json");
    const auto paper = program({"sheet", ling, "--for", "wiring", "--as", "pdf"});
    ASSERT_EQ(paper.status, 0) << paper.err;
    EXPECT_TRUE(paper.out.starts_with("%PDF-"));
    const std::string words = wordsOf(QByteArray::fromStdString(paper.out));
    for (const char* each : {"Wiring of No. 4 \"Ling\"", "Wires", "black", "right rail",
                             "What must be joined", "motor plus"})
        EXPECT_NE(words.find(each), std::string::npos) << each << " in " << words;
    const tests::Scratch scratch;
    tests::Scratch::write(scratch.file("a.pdf"), QByteArray::fromStdString(paper.out));
    const auto info = tests::run(u"pdfinfo"_s, {scratch.file("a.pdf")});
    EXPECT_NE(info.out.find("(A4)"), std::string::npos) << info.out;
}
TEST(Sheet, TheCommandRefusesWhatItDoesNotKnow) {
    const QString ling = QStringLiteral(DEMO_FOLDER "/ling.json");
    const auto kind = program({"sheet", ling, "--for", "soup"});
    EXPECT_EQ(kind.status, 2);
    EXPECT_EQ(kind.err, "sheet: --for: found “soup”, allowed: " + cli::sheetNames() + "\n");
    const auto form = program({"sheet", ling, "--for", "wiring", "--as", "doc"});
    EXPECT_EQ(form.status, 2);
    EXPECT_EQ(form.err, "sheet: --as: found “doc”, allowed: html, pdf, text\n");
    EXPECT_EQ(program({"sheet", ling}).status, 2);
    EXPECT_EQ(program({"sheet", "/nonexistent", "--for", "wiring"}).status, 2);
    const auto other = program({"sheet", ling, "--for", "wiring", "--job", "Tern"});
    EXPECT_EQ(other.status, 2);
    EXPECT_NE(other.err.find("--job: found no job called “Tern”"), std::string::npos) << other.err;
}

TEST(FitCommand, TellsWhereThingsLieAndWithHowMuchRoom) {
    const auto told = program({"fit", QStringLiteral(DEMO_FOLDER "/ling.json"), "--json"});
    ASSERT_EQ(told.status, 0) << told.err;
    for (const char* each :
         {R"("items":[{"id":"D1","kind":"decoder")",
          R"("unit":"U1","in":"hood","corner_mm":[0,0,0])", R"("size_mm":[19.6,12.4,5.2])",
          R"("id":"K1","kind":"stay-alive")", R"("fits":true)", R"("would_fit":[],"ask":[])"})
        EXPECT_NE(told.out.find(each), std::string::npos) << each << " in " << told.out;
    const auto words = program({"fit", QStringLiteral(DEMO_FOLDER "/ling.json")});
    EXPECT_TRUE(words.out.starts_with("Everything fits.")) << words.out;
    EXPECT_EQ(program({"fit", "/nonexistent"}).status, 2);
    EXPECT_EQ(program({"fit", QStringLiteral(DEMO_FOLDER "/aurora.json")}).out,
              "nothing to fit yet\n");
}

std::string wiringOf(const core::Job& job) {
    return sheets::plainText(core::sheetKind("wiring")->make(tests::factsOf(job))).toStdString();
}
TEST(WiringSheet, NamesBothEndsOfEachWireAndWhatNobodyFollowed) {
    core::Job job = tests::jotted(tests::shunter(), {"decoder middle", "lamp front white"});
    EXPECT_NE(wiringOf(job).find("No wire is on record."), std::string::npos);
    EXPECT_EQ(wiringOf(job).find("Not known yet"), std::string::npos);
    core::Wire wire;
    wire.id = "W9";
    wire.colour = "grey";
    wire.to = {"D1", "grey"};
    wire.awg = 30;
    wire.length = core::Millimetres{96};
    job.wires.push_back(wire);
    std::string words = wiringOf(job);
    EXPECT_NE(words.find("W9    grey, 30 AWG, 96 mm  not followed yet  decoder, grey"),
              std::string::npos)
        << words;
    EXPECT_NE(words.find("[ ] Where the other end of the grey wire W9 goes"), std::string::npos);
    EXPECT_NE(words.find("[ ] How far the joints of the grey wire W9 are"), std::string::npos);
    job.wires.back().from = core::TerminalId{job.units[0].motors[0].id, "minus"};
    job.wires.back().fromJoint = core::Joints::Soldered;
    job.wires.back().toJoint = core::Joints::Sleeved;
    words = wiringOf(job);
    EXPECT_NE(words.find("motor minus  decoder, grey  soldered / sleeved"), std::string::npos)
        << words;
    EXPECT_EQ(words.find("Not known yet"), std::string::npos) << words;
    // What must be joined is told by name, whether or not a wire lies there.
    EXPECT_NE(words.find("common        decoder, blue · front lamp, anode"), std::string::npos)
        << words;
}

}  // namespace
}  // namespace glimmet
