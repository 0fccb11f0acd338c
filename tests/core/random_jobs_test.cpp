// What must hold of every verdict, whatever the job: jobs are put together at random from lines of
// the bench, half known, contradictory and odd.
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wired_circuit.h"
#include "core/work/stage_status.h"
#include "core/work/trials.h"
#include "store/job_json.h"
#include "support/sample_jobs.h"
#include "support/sanitized.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <map>
#include <random>
#include <set>

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
            EXPECT_EQ(sentence.find(" nan"), std::string::npos) << said << sentence;
            EXPECT_EQ(sentence.find(" inf "), std::string::npos) << said << sentence;
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

/// A job with what wirings have besides: units, contacts, wires, a brush that touches.
class RandomWirings : public RandomJobs {
protected:
    Job wired() {
        Job made = job();
        const std::size_t lines = below(6);
        for (std::size_t i = 0; i < lines; ++i) {
            const std::string words =
                below(3) == 0 ? "unit " + one({"saloon", "dock-shunter"})
                : below(2) == 0
                    ? "contacts " + std::to_string(below(12))
                    : "wire " + one({"red", "black", "grey"}) + " " +
                          one({"frame", "left rail to motor plus", "nothing", "common to frame"});
            said += words + "\n";
            auto taken = applyLine(words, made, smallCatalogue(), "2026-03-02");
            if (taken) made = std::move(taken->after);
        }
        // Parts lie in any unit.
        for (LampGroup& group : made.groups) {
            for (LampRow& row : group.rows) {
                row.backwards = below(8) == 0;
                for (Lamp& lamp : row.lamps)
                    lamp.fitted.unit = made.units[below(made.units.size())].id;
            }
        }
        if (made.decoder && below(2) == 0) {
            made.decoder->placement = Fitted{made.units[below(made.units.size())].id, "", {}};
        }
        for (Unit& unit : made.units) {
            const FrameKind kinds[] = {FrameKind::Insulated, FrameKind::FrameReturn,
                                       FrameKind::SplitFrame};
            unit.frame = kinds[below(3)];
        }
        return made;
    }
};

TEST_F(RandomWirings, HaveEveryTerminalThatTheRecordNames) {
    for (int trial = 0; trial < trials; ++trial) {
        said.clear();
        const Job job = wired();
        SCOPED_TRACE(said);
        const wiring::Wiring plan = wiring::wiringOf(job, ResistorLeg::Minus, {});
        const wiring::Wiring found =
            wiring::wiringOf(job, ResistorLeg::Minus, {wiring::Stand::Which::Found, {}});
        for (const MotorAt& motor : motorsOf(job)) {
            for (const char* pin : {"plus", "minus"})
                EXPECT_TRUE(plan.terminal({motor.motor->id, pin}));
        }
        for (const LampGroup& group : job.groups) {
            for (std::size_t r = 0; r < group.rows.size(); ++r) {
                for (std::size_t i = 0; i < group.rows[r].lamps.size(); ++i) {
                    for (const char* pin : {"anode", "cathode"}) {
                        const auto* leg = plan.terminal({lampOwner(group, r, i), pin});
                        ASSERT_TRUE(leg);
                        EXPECT_EQ(leg->unit, group.rows[r].lamps[i].fitted.unit);
                    }
                }
            }
        }
        if (job.decoder) {
            for (const DecoderOutput& output : job.decoder->part.outputs)
                EXPECT_TRUE(plan.terminal({decoderOwner, output.name}));
        }
        EXPECT_EQ(plan.terminal({stayAliveOwner, "plus"}) != nullptr, job.bank.has_value());
        for (const Wire& wire : job.wires) {
            EXPECT_TRUE(found.terminal(wire.to));
            EXPECT_TRUE(!wire.from || found.terminal(*wire.from));
        }
        for (const wiring::Wiring* each : {&plan, &found}) {
            std::set<TerminalId> once;
            for (const wiring::Terminal& terminal : each->terminals)
                EXPECT_TRUE(once.insert(terminal.id).second) << spelled(terminal.id);
            for (const wiring::Conductor& conductor : each->conductors)
                EXPECT_TRUE(once.contains(conductor.from) && once.contains(conductor.to));
            for (const wiring::Element& element : each->elements)
                EXPECT_TRUE(once.contains(element.a) && once.contains(element.b));
        }
        // What was undone and done again is the same record, and so the same wiring.
        const Job again = *store::jobFromJson(store::jobToJson(job));
        EXPECT_EQ(wiring::wiringOf(again, ResistorLeg::Minus, {}), plan);
    }
}

TEST_F(RandomWirings, JoinNothingThatTheRecordDoesNotJoin) {
    std::size_t crossing = 0;
    for (int trial = 0; trial < trials; ++trial) {
        said.clear();
        const Job job = wired();
        SCOPED_TRACE(said);
        const wiring::Wiring plan = wiring::wiringOf(job, ResistorLeg::Minus, {});
        const std::vector<std::size_t> point = wiring::points(plan);
        std::map<TerminalId, std::size_t> at;
        std::map<TerminalId, std::string> unit;
        for (std::size_t i = 0; i < point.size(); ++i) {
            at[plan.terminals[i].id] = point[i];
            unit[plan.terminals[i].id] = plan.terminals[i].unit;
        }
        // Two nets are never one point, and of a net what lies in one unit always is. The poles of
        // one unit's pickups are joined by its frame where that is a rail, and so are no two nets.
        std::map<std::size_t, std::string> netAt;
        for (const wiring::Net& net : plan.nets) {
            std::map<std::string, std::size_t> inUnit;
            for (const TerminalId& id : net.joins) {
                const auto [first, isFirst] = inUnit.emplace(unit.at(id), at.at(id));
                EXPECT_EQ(first->second, at.at(id)) << net.name << " " << spelled(id);
                const auto [owner, isNew] = netAt.emplace(at.at(id), net.name);
                EXPECT_EQ(owner->second, net.name) << spelled(id);
            }
            crossing += inUnit.size() > 1 ? 1U : 0U;
        }
        // No more of them cross a coupling than it has contacts.
        std::map<std::string, int> taken;
        for (const wiring::Element& element : plan.elements) {
            if (element.kind == wiring::Element::Kind::Contact) ++taken[element.of];
        }
        for (std::size_t i = 0; i < job.couplings.size(); ++i) {
            EXPECT_LE(taken["P" + std::to_string(i + 1)], std::max(job.couplings[i].contacts, 0));
        }
        // Terminals of no net are joined with nothing but what touches them.
        for (const MotorAt& motor : motorsOf(job)) {
            if (motor.motor->isolated == false) continue;
            EXPECT_NE(at.at({motor.motor->id, "plus"}), at.at({motor.motor->id, "minus"}));
        }
    }
    EXPECT_GT(crossing, static_cast<std::size_t>(trials) / 10);
}

}  // namespace
}  // namespace glimmet::core
