// What must hold of every verdict, whatever the job: jobs are put together at random from lines of
// the bench, half known, contradictory and odd.
#include "core/work/stage_status.h"
#include "core/work/trials.h"
#include "store/job_json.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <map>
#include <random>

namespace glimmet::core {
namespace {

using tests::factsOf;
using tests::smallCatalogue;

constexpr int trials = tests::sanitized ? 60 : 400;

class RandomJobs : public testing::Test {
protected:
    std::mt19937 random{20260301};

    std::size_t below(std::size_t count) {
        return std::uniform_int_distribution<std::size_t>(0, count - 1)(random);
    }
    /// Evenly over the decades.
    std::string value(double least, double most, const char* unit) {
        const double made =
            std::exp(std::uniform_real_distribution<>(std::log(least), std::log(most))(random));
        char words[40];
        std::snprintf(words, sizeof words, "%.3g%s", made, unit);
        return words;
    }
    std::string one(std::initializer_list<const char*> of) {
        return *(of.begin() + static_cast<std::ptrdiff_t>(below(of.size())));
    }
    std::string line() {
        switch (below(16)) {
            case 0:
                return "stall " + value(0.1, 4, "A") + " " + value(3, 16, "V");
            case 1:
                return "slip " + value(0.05, 2, "A") + " " + value(6, 16, "V");
            case 2:
                return "light " + value(0.03, 1, "A") + " " + value(6, 16, "V");
            case 3:
                return "haul " + value(0.05, 1.5, "A") + " " + value(6, 16, "V");
            case 4:
                return "ohms " + value(2, 60, "R");
            case 5:
                return "decoder " + one({"small", "middle", "large", "board", "none"});
            case 6:
                return "track " + value(9, 22, "V");
            case 7:
                return "supply " + one({"dcc", "dc", "battery", "three-rail"});
            case 8:
            case 9:
                return "lamp " + one({"front", "rear", "cab on 1", "cab on front"}) + " " +
                       one({"red", "white", "warm-white-3mm", "cool-white-3mm", "blue"}) +
                       one({"", " for 2mA", " for 5mA", " for 15mA", " 2.0V 20mA"});
            case 10:
            case 11:
                return "resistor " + one({"front", "rear", "cab"}) + " " +
                       one({"100", "330", "1k", "2k2", "4k7", "10k", "none"});
            case 12:
                return "bank " + one({"can-1000u-25", "electrolytic-2200u-25", "can-4700u-16",
                                      "cells-100m-16", "module-22m-18"});
            case 13:
                return "motor " + one({"can", "coreless", "open-frame"});
            case 14:
                return "rule " + one({"strict", "slip", "running"});
            default:
                break;
        }
        return "output " + one({"front", "rear", "1"}) + " " + one({"bare", "470R", "1k5"});
    }
    Job job() {
        Job made = tests::newJob("Any", one({"dock-shunter", "saloon", "railcar", "hood-diesel"}));
        const std::size_t lines = 2 + below(12);
        for (std::size_t i = 0; i < lines; ++i) {
            const std::string words = line();
            said += words + "\n";
            auto taken = applyLine(words, made, smallCatalogue(), "2026-03-02");
            if (taken) made = std::move(taken->after);
        }
        return made;
    }
    std::string said;
};

std::map<std::string, State> statesOf(const Job& job) {
    std::map<std::string, State> all;
    for (const Verdict& verdict : verdicts(factsOf(job))) {
        State& state = all[verdict.id];
        state = worse(state, verdict.state);
    }
    return all;
}

/// What comes of a finding with a line taken: its own state, or that of what gets worse by it.
State stateWith(const Finding& finding, const std::map<std::string, State>& before,
                const std::map<std::string, State>& after) {
    const auto of = [](const std::map<std::string, State>& states, const std::string& id) {
        const auto at = states.find(id);
        return at == states.end() ? State::Fine : at->second;
    };
    State all = of(after, finding.id);
    for (const auto& [id, state] : after) {
        if (state > of(before, id)) all = worse(all, state);
    }
    return all;
}

TEST_F(RandomJobs, AnOptionPromisesWhatFollowsWithAllThatGetsWorse) {
    int better = 0;
    for (int trial = 0; trial < trials / 5; ++trial) {
        said.clear();
        const Job made = job();
        const auto before = statesOf(made);
        const JobAnalysis facts = factsOf(made);
        Trials trying(facts);
        for (Finding finding : findings(facts)) {
            if (finding.state == State::Fine || finding.options.empty()) continue;
            trying.tryOptions(finding);
            State last = State::Fine;
            for (const Option& option : finding.options) {
                const auto taken = applyLine(option.jot, made, smallCatalogue(), "2026-03-03");
                ASSERT_TRUE(taken) << said << option.jot << ": " << plain(taken.error().what);
                if (option.kind == Option::Kind::Answer) continue;
                EXPECT_EQ(stateWith(finding, before, statesOf(taken->after)), option.state)
                    << said << finding.id << ": " << option.jot;
                EXPECT_LE(last, option.state) << said << finding.id << ": " << option.jot;
                last = option.state;
                if (option.state < finding.state) ++better;
            }
        }
    }
    EXPECT_GT(better, trials / 5);
}
TEST_F(RandomJobs, WhatIsWrongSaysWhatToDo) {
    for (int trial = 0; trial < trials; ++trial) {
        said.clear();
        const Job made = job();
        for (const Finding& finding : findings(factsOf(made))) {
            const std::string sentence = plain(finding.sentence);
            EXPECT_EQ(sentence.find('%'), sentence.find(" %")) << sentence;
            EXPECT_EQ(sentence.find("nan"), std::string::npos) << said << sentence;
            EXPECT_EQ(sentence.find("inf"), std::string::npos) << said << sentence;
            EXPECT_TRUE(sentence.ends_with('.') || sentence.ends_with('?')) << sentence;
            if (finding.state == State::Over || finding.state == State::Ask) {
                EXPECT_FALSE(finding.action.empty() && finding.options.empty())
                    << said << finding.id << ": " << sentence;
            }
        }
    }
}
TEST_F(RandomJobs, AreJudgedTheSameEachTimeAndAfterTheFile) {
    for (int trial = 0; trial < trials; ++trial) {
        said.clear();
        const Job made = job();
        const auto told = [](const Job& of) {
            std::string all;
            for (const Finding& each : findings(factsOf(of))) {
                all += each.id + std::to_string(static_cast<int>(each.state)) +
                       plain(each.sentence) + "\n";
            }
            return all;
        };
        const auto back = store::jobFromJson(store::jobToJson(made));
        ASSERT_TRUE(back) << said;
        EXPECT_EQ(told(made), told(*back)) << said;
    }
}
TEST_F(RandomJobs, AReadingThatAgreesNeverAsksNorWorsens) {
    for (int trial = 0; trial < trials; ++trial) {
        said.clear();
        Job made = job();
        if (made.units.front().motors.empty() ||
            made.units.front().motors.front().readings.empty()) {
            continue;
        }
        const auto before = statesOf(made);
        auto& readings = made.units.front().motors.front().readings;
        readings.push_back(readings.back());
        for (const auto& [id, state] : statesOf(made)) {
            const auto was = before.find(id);
            EXPECT_LE(state, was == before.end() ? State::Fine : was->second) << said << id;
        }
    }
}
TEST_F(RandomJobs, AMilderCircuitNeverDoesGraverDamage) {
    int milder = 0;
    for (int trial = 0; trial < trials; ++trial) {
        said.clear();
        const Job made = job();
        for (std::size_t g = 0; g < made.groups.size(); ++g) {
            if (made.groups[g].rows.empty()) continue;
            Job after = made;
            bool changed = false;
            for (LampRow& row : after.groups[g].rows) {
                if (row.resistor && *row.resistor > Ohms{0}) {
                    *row.resistor *= 3.0;
                    changed = true;
                }
            }
            if (!changed) continue;
            ++milder;
            const std::string id = "lamp.current:" + made.groups[g].id;
            const auto damage = [&](const Job& of) {
                State worst = State::Fine;
                for (const Verdict& verdict : verdicts(factsOf(of))) {
                    if (verdict.subject.id == made.groups[g].id &&
                        verdict.gravity >= Gravity::PartDestroyed) {
                        worst = worse(worst, verdict.state);
                    }
                }
                return worst;
            };
            EXPECT_LE(damage(after), damage(made)) << said << id;
        }
    }
    EXPECT_GT(milder, 0);
}

}  // namespace
}  // namespace glimmet::core
