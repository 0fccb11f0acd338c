// Everything that is said of the jobs in said.txt, to the letter: sentences, actions, figures with
// what they rest on, options with what they would do. Each block there was read by eye; after a
// change that is meant: GLIMMET_WRITE_SAID=1, then read the difference.
#include "core/work/stage_status.h"
#include "core/work/trials.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <map>
#include <set>
#include <sstream>

namespace glimmet::core {
namespace {

constexpr const char* file = TESTS_FOLDER "/core/said.txt";

/// A job as the file puts it: "# name", then "> body scale", then a jot a line.
struct Case {
    std::string name;
    std::vector<std::string> lines;
    std::string said;
};
std::vector<Case> cases() {
    std::ifstream in(file);
    std::vector<Case> all;
    for (std::string line; std::getline(in, line);) {
        if (line.starts_with("# "))
            all.push_back({line.substr(2), {}, {}});
        else if (line.starts_with("> "))
            all.back().lines.push_back(line.substr(2));
        else if (!all.empty())
            all.back().said += line + "\n";
    }
    return all;
}

Job jobOf(const Case& one) {
    std::istringstream head(one.lines.at(0));
    std::string body, scale;
    head >> body >> scale;
    Job job = tests::newJob("Model", body, scaleNamed(scale).value());
    for (std::size_t i = 1; i < one.lines.size(); ++i) {
        // "@2025-05-01 line": on that day.
        std::string line = one.lines[i], day = "2026-03-02";
        if (line.starts_with('@')) {
            day = line.substr(1, 10);
            line = line.substr(12);
        }
        auto taken = applyLine(line, job, tests::smallCatalogue(), day);
        EXPECT_TRUE(taken.has_value())
            << one.name << ": " << line << ": " << (taken ? "" : plain(taken.error().what));
        if (taken) job = std::move(taken->after);
    }
    return job;
}

const char* gravityWord(Gravity gravity) {
    constexpr const char* words[] = {"better", "uneven", "badly", "works not", "part", "fire"};
    return words[static_cast<std::size_t>(gravity)];
}

std::string saidOf(const Job& job) {
    std::ostringstream out;
    const JobAnalysis facts = tests::factsOf(job);
    for (Finding& finding : findings(facts)) {
        out << name(finding.state) << ", " << gravityWord(finding.gravity) << " [" << finding.stage
            << " " << finding.id << "] " << plain(finding.sentence) << "\n";
        if (!finding.action.empty()) out << "  -> " << plain(finding.action) << "\n";
        if (!finding.caution.empty()) out << "  ! " << plain(finding.caution) << "\n";
        for (const Figure& figure : finding.figures) {
            out << "  = " << plain(figure.name) << ", " << figure.symbol << ": " << shown(figure)
                << ", " << plain(words(figure.basis)) << (figure.formula.empty() ? "" : ", ")
                << figure.formula;
            for (const Figure& input : figure.inputs) out << " <" << input.symbol;
            out << (figure.jot.empty() ? "" : " | ") << figure.jot << "\n";
        }
        if (finding.state == State::Fine) continue;  // its options are not offered as advice
        tryOptions(finding, facts);
        for (const Option& option : finding.options) {
            out << "  * " << plain(option.what) << " | " << plain(option.effect) << " | "
                << name(option.state) << " | " << option.jot
                << (option.inPlace ? " | in place" : "")
                << (option.kind == Option::Kind::Answer ? " | answer" : "") << "\n";
        }
    }
    for (const StageStatus& each : stageStatus(job, findings(facts))) {
        out << "  : " << each.stage << " " << name(each.kind) << " " << name(each.worst) << " "
            << plain(each.why) << "\n";
    }
    return out.str();
}

TEST(Said, IsWhatWasReadByEye) {
    const auto all = cases();
    ASSERT_GE(all.size(), 40U);
    if (std::getenv("GLIMMET_WRITE_SAID")) {
        std::ofstream out(file);
        out << "What is said of each of these jobs; see said_test.cpp.\n";
        for (const Case& one : all) {
            out << "# " << one.name << "\n";
            for (const std::string& line : one.lines) out << "> " << line << "\n";
            out << saidOf(jobOf(one));
        }
        GTEST_SKIP() << "written anew: read the difference";
    }
    for (const Case& one : all) EXPECT_EQ(saidOf(jobOf(one)), one.said) << one.name;
}

// A judge works an option out in closed form, the whole job is tried with it after. Where a check
// looks at one thing only, the two agree.
TEST(Said, OptionsAreWorthWhatTheirJudgePromised) {
    // These weigh one thing of several, and the trial may find more.
    const std::set<std::string> coarse{
        "lamp.current",   "motor.rating",    "decoder.outputs",  "decoder.room", "reserve.crossing",
        "reserve.hold",   "reserve.volts",   "reserve.clamp",    "reserve.room", "motor.total",
        "reserve.warmth", "reserve.allowed", "reserve.terminals"};
    int promised = 0;
    for (const Case& one : cases()) {
        const Job job = jobOf(one);
        const JobAnalysis facts = tests::factsOf(job);
        for (Finding& finding : findings(facts)) {
            for (const Option& option : finding.options) {
                EXPECT_FALSE(plain(option.what).empty()) << one.name << ": " << option.jot;
                EXPECT_FALSE(option.jot.empty()) << one.name << ": " << plain(option.what);
                EXPECT_FALSE(plain(option.effect).empty()) << one.name << ": " << option.jot;
            }
            if (finding.state == State::Fine ||
                coarse.contains(finding.id.substr(0, finding.id.find(':'))))
                continue;
            std::map<std::string, State> before;
            for (const Option& option : finding.options) {
                if (option.kind == Option::Kind::Remedy) before[option.jot] = option.state;
            }
            tryOptions(finding, facts);
            for (const auto& [line, state] : before) {
                const std::string& jot = line;  // what a lambda can hold
                const auto option =
                    std::find_if(finding.options.begin(), finding.options.end(),
                                 [&](const Option& each) { return each.jot == jot; });
                if (option == finding.options.end()) continue;  // more than are offered
                ++promised;
                // What gets worse elsewhere is none of its judge's business, and is told.
                if (plain(option->effect).find("but then: ") != std::string::npos) {
                    EXPECT_GE(option->state, state)
                        << one.name << ": " << finding.id << ": " << jot;
                    continue;
                }
                EXPECT_EQ(option->state, state) << one.name << ": " << finding.id << ": " << jot;
            }
        }
    }
    EXPECT_GT(promised, 50);
}

// --- docs/judgement.md -----------------------------------------------------------------------

/// What a check says: once a state, as a job of said.txt or of the demo brought it up.
struct Check {
    std::string stage, gravest, rule;
    std::map<State, std::string> said;
    std::set<std::string> numbers;  ///< limits and margins that its figures name
    std::set<std::string> tests;
};

std::string withoutSubject(const std::string& id) { return id.substr(0, id.find(':')); }

std::map<std::string, Check> checks() {
    std::map<std::string, Check> all;
    for (const JobStage& room : jobStages()) {
        for (const DecidedBy& each : room.decided) {
            all[each.id].stage = room.name;
            all[each.id].rule = each.rule;
        }
    }
    std::map<std::string, Gravity> gravest;
    for (const Case& one : cases()) {
        const Job job = jobOf(one);
        for (const Finding& finding : findings(tests::factsOf(job))) {
            const std::string id = withoutSubject(finding.id);
            Check& check = all[id];
            EXPECT_FALSE(check.rule.empty()) << "nothing says what decides " << id;
            EXPECT_EQ(check.stage, finding.stage) << id;
            EXPECT_EQ(plain(decidedBy(finding.id)), check.rule);
            Gravity& worst = gravest.try_emplace(id, finding.gravity).first->second;
            worst = std::max(worst, finding.gravity);
            check.gravest = gravityWord(worst);
            check.said.try_emplace(finding.state, plain(finding.sentence));
            for (const Figure& figure : finding.figures) {
                if (figure.basis.kind != Basis::Kind::Chosen &&
                    figure.basis.kind != Basis::Kind::Assumed)
                    continue;
                check.numbers.insert(plain(figure.name));
            }
        }
    }
    // A test holds a check where it names it.
    for (const auto& entry : std::filesystem::directory_iterator(TESTS_FOLDER "/core")) {
        if (entry.path().extension() != ".cpp") continue;
        std::ifstream in(entry.path());
        std::string test;
        for (std::string line; std::getline(in, line);) {
            if (line.starts_with("TEST")) {
                test = line.substr(line.find('(') + 1);
                test = test.substr(0, test.find(')'));
                test.replace(test.find(", "), 2, ".");
            }
            for (auto& [id, check] : all) {
                // What a helper above all tests names holds nothing by itself.
                if (test.empty()) continue;
                if (line.find("\"" + id + "\"") != std::string::npos ||
                    line.find("\"" + id + ":") != std::string::npos) {
                    check.tests.insert(test);
                }
            }
        }
    }
    return all;
}

TEST(Judgement, IsWrittenDownAsItIs) {
    constexpr const char* document = TESTS_FOLDER "/../docs/judgement.md";
    std::ostringstream out;
    out << "# What is judged\n\nEach check with its gravity, what decides it, what it says in each "
           "state (as one of "
           "the jobs in "
           "tests/core/said.txt\nbrought it up), what it takes for granted where nothing else is "
           "known, and "
           "the tests that name it. Written by\n`GLIMMET_WRITE_SAID=1 core_test "
           "--gtest_filter='Said*:Judgement*'`; a test fails when this is not what the code "
           "says.\n";
    std::string stage;
    const auto all = checks();
    for (const StageStatus& standing : stageStatus(tests::busy(), {})) {
        bool headed = false;
        for (const auto& [id, check] : all) {
            if (check.stage != standing.stage) continue;
            if (!headed) out << "\n## " << standing.stage << "\n";
            headed = true;
            // One that no job of said.txt brings up is held by a test at least.
            EXPECT_FALSE(check.said.empty() && check.tests.empty()) << id;
            out << "\n**" << id << "**" << (check.said.empty() ? "" : " (" + check.gravest + ")")
                << "\n\n"
                << check.rule << "\n\n";
            for (const auto& [state, sentence] : check.said) {
                out << "- *" << name(state) << "*: " << sentence << "\n";
            }
            if (!check.numbers.empty()) {
                out << "- rests on:";
                for (const std::string& each : check.numbers)
                    out << (each == *check.numbers.begin() ? " " : "; ") << each;
                out << "\n";
            }
            out << "- held by:";
            for (const std::string& each : check.tests)
                out << (each == *check.tests.begin() ? " " : ", ") << each;
            out << (check.tests.empty() ? " Said.IsWhatWasReadByEye\n" : "\n");
        }
    }
    if (std::getenv("GLIMMET_WRITE_SAID")) {
        std::ofstream(document) << out.str();
        GTEST_SKIP() << "written anew: read the difference";
    }
    std::ifstream in(document);
    std::ostringstream there;
    there << in.rdbuf();
    EXPECT_EQ(there.str(), out.str());
}

}  // namespace
}  // namespace glimmet::core
