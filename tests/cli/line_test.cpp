// The commands of fitting to hand-over, as other programs read them: matrix, wires, settings, new.
#include "store/job_json.h"
#include "support/program.h"
#include "support/scratch.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <algorithm>

namespace glimmet {
namespace {

using json = nlohmann::json;
using namespace Qt::StringLiterals;

tests::Ended program(const QStringList& arguments) {
    return tests::run(QStringLiteral(CLI_PROGRAM), arguments);
}
json parsed(const QStringList& arguments) {
    const auto ended = program(arguments);
    EXPECT_EQ(ended.status, 0) << ended.err;
    return json::parse(ended.out);
}
/// The job with lines taken, as a file.
QString jobWith(const tests::Scratch& scratch, const QString& from, const QStringList& lines) {
    const auto ended = program(QStringList{"jot", from, "--json", "--"} + lines);
    EXPECT_EQ(ended.status, 0) << ended.err;
    const QString path = scratch.file("after.json");
    tests::Scratch::write(path, QByteArray::fromStdString(json::parse(ended.out)["job"].dump()));
    return path;
}
QString newJob(const tests::Scratch& scratch, const QStringList& more) {
    const auto ended = program(QStringList{"new", "Vole"} + more);
    EXPECT_EQ(ended.status, 0) << ended.err;
    const QString path = scratch.file("new.json");
    tests::Scratch::write(path, QByteArray::fromStdString(ended.out));
    return path;
}

TEST(NewJob, IsAJobThatAllElseReads) {
    const tests::Scratch scratch;
    const auto made = program(
        {"new", "Vole", "--body", "dock-shunter", "--scale", "TT", "--feed", "battery-radio"});
    ASSERT_EQ(made.status, 0) << made.err;
    const auto job = store::jobFromJson(made.out);
    ASSERT_TRUE(job.has_value());
    EXPECT_EQ(job->name, "Vole");
    EXPECT_EQ(job->scale.name, "TT");
    EXPECT_EQ(job->feed, core::Feed::BatteryRadio);
    EXPECT_EQ(motorsOf(*job).size(), 1U);
    const json list = parsed({"new", "--list", "--json"});
    const auto& bodies = list["bodies"];
    EXPECT_TRUE(std::any_of(bodies.begin(), bodies.end(), [](const json& each) {
        return each["id"] == "lighthouse" && each["length_mm"] > 0 && !each["title"].empty();
    }));
}
TEST(NewJob, RefusesWithTheNearestBody) {
    const auto refused = [](const QStringList& more) {
        const auto ended = program(QStringList{"new"} + more);
        EXPECT_EQ(ended.status, 2);
        EXPECT_TRUE(ended.out.empty());
        return ended.err;
    };
    EXPECT_NE(refused({"Vole", "--body", "dok-shunter"}).find("the nearest is “dock-shunter”"),
              std::string::npos);
    EXPECT_NE(refused({"Vole", "--body", "zeppelin"}).find("one of new --list"), std::string::npos);
    EXPECT_NE(refused({"--body", "dock-shunter"}).find("NAME is missing"), std::string::npos);
    EXPECT_NE(refused({"Vole", "--body", "dock-shunter", "--scale", "Q"}).find("allowed: Z, N"),
              std::string::npos);
    EXPECT_NE(refused({"Vole", "--body", "dock-shunter", "--feed", "steam"}).find("two-rail-dcc"),
              std::string::npos);
}
TEST(Matrix, IsWrittenAsTheContractHasIt) {
    const tests::Scratch scratch;
    const QString job = jobWith(scratch, newJob(scratch, {"--body", "dock-shunter"}),
                                {"decoder four-wire-1.0", "frame-return",
                                 "motor plus to frame 0.4 ohms", "left rail to right rail open"});
    const json matrix = parsed({"matrix", job, "--json"});
    EXPECT_EQ(matrix["short_proof"], (json{"rail-rail", "brush-frame:M2", "brush-frame:M2/minus"}));
    EXPECT_EQ(matrix["proof"], "none");
    EXPECT_EQ(matrix["allows"], "nothing");
    EXPECT_EQ(matrix["rows"][0]["id"], "rail-rail");
    EXPECT_EQ(matrix["rows"][0]["state"], "fine");
    const json& brush = matrix["rows"][1];
    EXPECT_EQ(brush["id"], "brush-frame:M2");
    EXPECT_EQ(brush["between"], (json{"M2.plus", "U1.frame"}));
    EXPECT_EQ(brush["expect"], "open");
    EXPECT_EQ(brush["low_ohm"], 1e5);
    EXPECT_TRUE(brush["high_ohm"].is_null());
    EXPECT_EQ(brush["needs"], (json{"decoder out", "body off"}));
    EXPECT_EQ(brush["plus"], "either");
    EXPECT_EQ(brush["stale"], false);
    EXPECT_EQ(brush["state"], "over");
    ASSERT_EQ(brush["read"].size(), 1U);
    EXPECT_EQ(brush["read"][0]["ohm"], 0.4);
    EXPECT_EQ(brush["read"][0]["look"], "value");
    EXPECT_EQ(brush["effort"], 2);
    ASSERT_EQ(brush["at"].size(), 2U);
    EXPECT_NE(program({"matrix", job}).out.find("over  motor plus to frame: open"),
              std::string::npos);
}
TEST(Wires, AreListedAsJsonAndAsATable) {
    const tests::Scratch scratch;
    const QString job = jobWith(scratch, newJob(scratch, {"--body", "dock-shunter"}),
                                {"decoder four-wire-1.0", "slip 600mA 12V"});
    const json all = parsed({"wires", job, "--json"});
    const auto& wires = all["wires"];
    const auto orange = std::find_if(wires.begin(), wires.end(),
                                     [](const json& each) { return each["colour"] == "orange"; });
    ASSERT_NE(orange, wires.end());
    EXPECT_EQ((*orange)["net"], "motor plus");
    EXPECT_EQ((*orange)["awg"], 28);
    EXPECT_EQ((*orange)["amps_A"], 0.6);
    EXPECT_TRUE((*orange)["length_mm"].is_null());
    EXPECT_TRUE((*orange)["run"].is_null());
    EXPECT_EQ((*orange)["state"], "fine");
    EXPECT_EQ(all["couplings"], json::array());
    EXPECT_FALSE(all["cut_list"].empty());
    const std::string table = program({"wires", job, "--csv"}).out;
    EXPECT_TRUE(
        table.starts_with("id,net,from,to,colour,awg,length_mm,amps_A,drop_V,run,joints,"
                          "state\r\n"));
    EXPECT_NE(table.find(",motor plus,M2.plus,D1.orange,orange,28,,0.6,,,,fine\r\n"),
              std::string::npos)
        << table;
    EXPECT_EQ(program({"wires", job, "--csv", "--json"}).status, 2);
}
TEST(Settings, AreToldAndComparedWithAReadBack) {
    const tests::Scratch scratch;
    const QString job =
        jobWith(scratch, newJob(scratch, {"--body", "dock-shunter"}),
                {"decoder four-wire-1.0", "address 3107", "key F1 output 1", "keyed 17"});
    const json plan = parsed({"settings", job, "--json"})["decoders"][0];
    EXPECT_EQ(plan["id"], "D1");
    EXPECT_EQ(plan["values"][0]["meaning"], "address");
    EXPECT_EQ(plan["values"][0]["value"], 3107);
    EXPECT_EQ(plan["values"][0]["CV"], (json{{"17", 204}, {"18", 35}}));
    EXPECT_EQ(plan["CV"]["35"], 4);
    EXPECT_EQ(plan["key_in"][0]["step"], 1);
    EXPECT_EQ(plan["key_in"][0]["done"], true);
    EXPECT_EQ(plan["key_in"][1]["done"], false);
    EXPECT_TRUE(plan["read"].is_null());
    EXPECT_EQ(plan["differences"], json::array());
    EXPECT_TRUE(program({"settings", job, "--csv"})
                    .out.starts_with("CV,value\r\n17,204\r\n18,35\r\n29,34\r\n"));
    const QString table = scratch.file("read.csv");
    tests::Scratch::write(table, "CV,value\r\n17,204\r\n18,36\r\n");
    const json read = parsed({"settings", job, "--read", table, "--json"})["decoders"][0];
    EXPECT_EQ(read["read"]["CV"], (json{{"17", 204}, {"18", 36}}));
    EXPECT_EQ(read["differences"], (json{{{"CV", "18"}, {"planned", 35}, {"read", 36}}}));
    // Without a decoder it is asked for, no error.
    const json none = parsed({"settings", newJob(scratch, {"--body", "box-van"}), "--json"});
    EXPECT_EQ(none["decoders"], json::array());
    EXPECT_EQ(none["ask"].size(), 1U);
}
TEST(Settings, ReadBacksAreRecordedInAWorkshopAndFaultyOnesNowhere) {
    const tests::Scratch scratch;
    const QString job = jobWith(scratch, newJob(scratch, {"--body", "dock-shunter"}),
                                {"decoder four-wire-1.0", "address 12"});
    const QString workshop = scratch.file("w.glimmet");
    ASSERT_EQ(program({"import", workshop, job}).status, 0);
    const QString table = scratch.file("read.csv");
    tests::Scratch::write(table, "1,13\n");
    ASSERT_EQ(program({"settings", workshop, "--read", table}).status, 0);
    EXPECT_EQ(parsed({"settings", workshop, "--json"})["decoders"][0]["read"]["CV"],
              (json{{"1", 13}}));
    for (const char* wrong :
         {"", "CV,value\n", "1;x\n2,3\n", "1,256\n", "0,3\n", "hello\nworld\n"}) {
        tests::Scratch::write(table, wrong);
        const auto ended = program({"settings", workshop, "--read", table});
        EXPECT_EQ(ended.status, 2) << wrong;
        EXPECT_NE(ended.err.find("allowed: "), std::string::npos) << ended.err;
    }
    EXPECT_EQ(parsed({"settings", workshop, "--json"})["decoders"][0]["read"]["CV"],
              (json{{"1", 13}}));
    EXPECT_EQ(program({"settings", workshop, "--decoder", "D9"}).status, 2);
}
TEST(OwnerSheet, OnPaperHasAddressAnswerAndWhatIsOpen) {
    const tests::Scratch scratch;
    const QString job = jobWith(scratch, newJob(scratch, {"--body", "dock-shunter"}),
                                {"complaint hums", "decoder four-wire-1.0", "address 3107",
                                 "answer hums oiled", "opens two screws"});
    const auto paper = program({"sheet", job, "--for", "owner", "--as", "pdf"});
    ASSERT_EQ(paper.status, 0) << paper.err;
    tests::Scratch::write(scratch.file("sheet.pdf"), QByteArray::fromStdString(paper.out));
    const std::string words =
        tests::run(u"pdftotext"_s, {u"-layout"_s, scratch.file("sheet.pdf"), u"-"_s}).out;
    for (const char* each : {"Vole: for its owner", "hums", "oiled", "Address 3107",
                             "How the body comes off: two screws", "Not answered yet"})
        EXPECT_NE(words.find(each), std::string::npos) << each << "\n" << words;
}

}  // namespace
}  // namespace glimmet
