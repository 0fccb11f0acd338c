#include "core/analysis/meter/matrix.h"

#include "core/analysis/meter/rows.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/steps.h"
#include "core/analysis/wiring/pickups.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wire_list.h"
#include "core/analysis/wiring/wired_circuit.h"

#include <algorithm>
#include <cstdint>
#include <cstdio>

namespace glimmet::core::meter {
namespace {

constexpr double below = 0.7, above = 1.6;  // of a winding between rotor positions and brush films

std::optional<Ohms> read(const wiring::Wiring& wiring, const TerminalId& a, const TerminalId& b,
                         Volts test) {
    const auto found = wiring::ohmsBetween(wiring, a, b, test);
    return found ? *found : std::nullopt;
}

/// Of a motor that nobody measured: what windings of models read.
std::pair<Ohms, Ohms> windingRange(const Job& job, const std::string& id) {
    for (const MotorAt& at : motorsOf(job)) {
        if (at.motor->id != id) continue;
        if (const auto path = motorPath(*at.motor)) return {*path * below, *path * above};
        const auto smallest = smallestWinding(*at.motor);
        if (smallest) return {smallest->value * below, smallest->value * above};
    }
    return {Ohms{2}, Ohms{300}};
}

void expectOpen(Row& row) {
    row.expect = Expect::Open;
    row.low = openAbove;
}

/// What the wiring lets a meter show between the two.
void expect(Row& row, const Job& job, const wiring::Wiring& wiring) {
    if (row.about == About::Winding) {
        row.expect = Expect::Range;
        const auto [low, high] = windingRange(job, row.first.owner);
        row.low = low;
        row.high = high;
        return;
    }
    if (row.about == About::StayAlive) {
        row.expect = Expect::Rising;
        row.plus = Plus::First;
        return;
    }
    if (wiring::joined(wiring, row.first, row.second)) {
        row.expect = Expect::Joined;
        row.high =
            row.about == About::Wheel || row.about == About::FrameRail ? pickupBelow : joinedBelow;
        return;
    }
    const auto there = read(wiring, row.first, row.second, diodeTest);
    const auto back = read(wiring, row.second, row.first, diodeTest);
    if (!there && !back) {
        expectOpen(row);
    } else if (!there || !back) {
        row.expect = Expect::OneWay;
        row.plus = there ? Plus::First : Plus::Second;
    } else {
        row.expect = Expect::Range;
        const auto cold = read(wiring, row.first, row.second, ohmsTest);
        const Ohms one = cold.value_or(*there);
        row.low = std::min(one, *there) * 0.5;
        row.high = std::max(one, *there) * 2;
    }
}

/// An LED or diode can lie in the path, if a wire is where it should not be.
bool junctionMayLie(About about) {
    return about == About::CommonRail || about == About::Lamp || about == About::LampLead ||
           about == About::BrushRail;
}

Text placeOf(const Job& job, const wiring::Terminal& terminal) {
    if (terminal.role == wiring::Role::Pickup) {
        // Outside it is reached at a wheel.
        for (const Unit& unit : job.units) {
            if (unit.id != terminal.unit) continue;
            for (std::size_t a = 0; a < unit.body.axles.size(); ++a) {
                const Axle& axle = unit.body.axles[a];
                const bool collects =
                    terminal.id.pin == "left" ? axle.collectsLeft : axle.collectsRight;
                if (collects && terminal.id.pin != "centre")
                    return text("axle %1, %2 wheel", std::to_string(a + 1), terminal.id.pin);
            }
        }
    }
    if (terminal.role == wiring::Role::Frame) return text("%1, at a bare screw", terminal.id.pin);
    return described(job, terminal.id);
}

void reach(Row& row, const Job& job, const wiring::Wiring& wiring) {
    row.effort = 1;
    const TerminalId* both[] = {&row.first, &row.second};
    for (int i = 0; i < 2; ++i) {
        const wiring::Terminal* terminal = wiring.terminal(*both[i]);
        row.at[i] = placeOf(job, *terminal);
        const bool inside =
            terminal->reach == wiring::Reach::BodyOff && terminal->role != wiring::Role::Pickup;
        if (inside) ++row.effort;
    }
}

// --- what was read -----------------------------------------------------------------------------

struct Judged {
    State state = State::Ask;
    Text lacks{};
};

Judged judgedOpen(const Row& row, const PairReading& reading) {
    const bool open =
        reading.look == Look::Open || (reading.look == Look::Value && *reading.ohms > openAbove);
    if (!open) return {State::Over};
    if (row.junction && !reading.bothWays)
        return {State::Ask, text("try it on the diode test too, both ways round: a junction can "
                                 "hide from ohms")};
    return {State::Fine};
}
Judged judgedJoined(const Row& row, const PairReading& reading) {
    if (reading.look == Look::Beep) {
        // A winding or a cold bulb beeps as well.
        if (row.about == About::Lead || row.about == About::Plug)
            return {State::Ask, text("read its ohms: a winding beeps as well")};
        return {State::Fine};
    }
    return {reading.look == Look::Value && *reading.ohms <= *row.high ? State::Fine : State::Over};
}
Judged judgedOneWay(const Row& row, const PairReading& reading) {
    if (reading.look == Look::OneWay) {
        const bool asPlanned = (reading.red == row.first) == (row.plus == Plus::First);
        if (asPlanned) return {State::Fine};
        return {State::Ask, text("it passes the other way round: the lamp is reversed, or the "
                                 "probes were")};
    }
    constexpr Ohms shortBelow{100};
    if (reading.look == Look::Value && *reading.ohms > shortBelow)
        return {State::Ask, text("ohms show no LED: use the diode test")};
    if (reading.look == Look::Open && !reading.bothWays)
        return {State::Ask, text("try it on the diode test, both ways round")};
    return {State::Over};
}
Judged judgedRange(const Row& row, const PairReading& reading) {
    if (reading.look == Look::Beep) return {State::Ask, text("read its ohms: a short beeps too")};
    if (reading.look != Look::Value) return {State::Over};
    const bool within =
        (!row.low || *reading.ohms >= *row.low) && (!row.high || *reading.ohms <= *row.high);
    return {within ? State::Fine : State::Over};
}
Judged judgedRising(const PairReading& reading) {
    if (reading.look == Look::Rising) return {State::Fine};
    if (reading.look == Look::Value && *reading.ohms > Ohms{100})
        return {State::Ask, text("hold the probes on: does it climb?")};
    return {State::Over};
}

Judged judgedBy(const Row& row, const PairReading& reading) {
    if (reading.look == Look::Sometimes) return {State::Over};
    switch (row.expect) {
        case Expect::Open:
            return judgedOpen(row, reading);
        case Expect::Joined:
            return judgedJoined(row, reading);
        case Expect::OneWay:
            return judgedOneWay(row, reading);
        case Expect::Range:
            return judgedRange(row, reading);
        case Expect::Rising:
            return judgedRising(reading);
    }
    return {};
}

void judgeRow(Row& row, const std::string& rests) {
    if (row.read.empty()) return;
    const PairReading& last = row.read.back();
    if (last.rests != rests) {
        row.stale = true;
        row.lacks = text("its wiring was changed since: read it again");
        return;
    }
    Judged judged = judgedBy(row, last);
    row.state = judged.state;
    row.lacks = std::move(judged.lacks);
}

bool fine(const Row& row) { return row.state == State::Fine; }

void prove(Matrix& matrix) {
    const auto all = [&](auto&& of) {
        bool any = false;
        for (const Row& row : matrix.rows) {
            if (!of(row)) continue;
            any = true;
            if (!fine(row)) return false;
        }
        return any;
    };
    if (std::any_of(matrix.rows.begin(), matrix.rows.end(),
                    [](const Row& row) { return row.state == State::Over; }))
        return;
    const auto brief = [](const Row& row) { return row.shortProof; };
    const bool isProved = all(brief);
    if (all([](const Row&) { return true; }) || (matrix.shortIsEnough && isProved)) {
        matrix.proof = Proof::Full;
        matrix.allows = Allows::Track;
    } else if (isProved) {
        matrix.proof = Proof::Partial;
        matrix.allows = Allows::LimitedTrack;
    } else if (all([](const Row& row) { return row.about == About::BrushFrame; })) {
        matrix.proof = Proof::Partial;
        matrix.allows = Allows::PlainDcLow;
    }
}

/// New, with a socket that the decoder goes into.
bool shortSuffices(const Job& job) { return socketed(job) && job.intake.age != Age::Old; }

std::string hashed(const std::string& words) {
    std::uint64_t hash = 1469598103934665603ULL;  // FNV-1a
    for (const char each : words)
        hash = (hash ^ static_cast<unsigned char>(each)) * 1099511628211ULL;
    char made[20];
    std::snprintf(made, sizeof made, "%016llx", static_cast<unsigned long long>(hash));
    return made;
}

struct MatrixFact {
    using Value = Matrix;
    using Read = Reads<&Job::units, &Job::couplings, &Job::feed, &Job::supply, &Job::decoder,
                       &Job::bank, &Job::items, &Job::wires, &Job::groups, &Job::pairs, &Job::steps,
                       &Job::wanted, &Job::intake, &Job::factoryLamps>;
    static Value of(const JobAnalysis& facts) { return matrixOf(facts.job, facts.house.leg); }
};

}  // namespace

wiring::Wiring probed(const Job& job, ResistorLeg leg) {
    Job free = job;
    for (Unit& unit : free.units) {
        for (Motor& motor : unit.motors) motor.isolated = true;
    }
    wiring::Stand stand;
    stand.out = {decoderOwner};
    wiring::Wiring made = wiring::wiringOf(free, leg, stand);
    // It is read off the track: no rail joins its wheels.
    std::erase_if(made.elements, [](const wiring::Element& each) {
        return each.kind == wiring::Element::Kind::Wheel;
    });
    // On a battery wheels still may collect, which the plan has no use for.
    if (job.feed == Feed::BatteryRadio) {
        for (const Unit& unit : job.units) {
            for (std::size_t a = 0; a < unit.body.axles.size(); ++a) {
                const Axle& axle = unit.body.axles[a];
                const std::string owner = unit.id + "/axle" + std::to_string(a + 1);
                const auto add = [&](const char* pole) {
                    made.terminals.push_back({{owner, pole},
                                              unit.id,
                                              wiring::Role::Wheel,
                                              wiring::Reach::Outside,
                                              Point{axle.x, {}}});
                };
                if (axle.collectsLeft) add("left");
                if (axle.collectsRight) add("right");
            }
        }
    }
    return made;
}

std::string restsOf(const Job& job, const wiring::Wiring& wiring, const TerminalId& a,
                    const TerminalId& b) {
    const std::vector<std::size_t> point = wiring::points(wiring);
    const auto at = [&](const TerminalId& id) {
        for (std::size_t i = 0; i < point.size(); ++i) {
            if (wiring.terminals[i].id == id) return point[i];
        }
        return point.size();
    };
    const std::size_t one = std::min(at(a), at(b)), other = std::max(at(a), at(b));
    std::string words;
    const auto touches = [&](const TerminalId& id) {
        const std::size_t where = at(id);
        return where == one || where == other;
    };
    for (const wiring::Terminal& each : wiring.terminals) {
        if (touches(each.id)) words += spelled(each.id) + ";";
    }
    for (const wiring::Element& each : wiring.elements) {
        if (!touches(each.a) && !touches(each.b)) continue;
        words += spelled(each.a) + ">" + spelled(each.b) + "=" +
                 std::to_string(static_cast<int>(each.kind)) + ";";
    }
    // Work that was done on what the two belong to: a cut, tape, solder. A look changes nothing.
    const std::vector<Step> steps = job.steps.empty() ? std::vector<Step>{} : stepsOf(job, {});
    for (const StepRecord& step : job.steps) {
        const auto kind = std::find_if(steps.begin(), steps.end(),
                                       [&](const Step& each) { return each.id == step.step; });
        const bool changes =
            kind != steps.end() && (kind->kind == StepKind::Solder ||
                                    kind->kind == StepKind::Isolate || kind->kind == StepKind::Cut);
        if (step.fate != StepFate::Done || !changes) continue;
        const auto colon = step.step.find(':');
        const std::string of = colon == std::string::npos ? "" : step.step.substr(colon + 1);
        for (const TerminalId* id : {&a, &b}) {
            const std::string owner = id->owner.substr(0, id->owner.find('/'));
            const bool rails = step.step == "rails" && !owner.empty() && owner[0] == 'U';
            if (rails || (!of.empty() && (of == owner || of.starts_with(owner + "/"))))
                words += "done " + step.step + ";";
        }
    }
    return hashed(words);
}

const Row* rowNamed(const Matrix& matrix, std::string_view id) {
    const auto found = std::find_if(matrix.rows.begin(), matrix.rows.end(),
                                    [&](const Row& row) { return row.id == id; });
    return found == matrix.rows.end() ? nullptr : &*found;
}

const Row* rowBetween(const Matrix& matrix, const wiring::Wiring& wiring, const TerminalId& a,
                      const TerminalId& b) {
    const auto exact = [&](const Row& row) {
        return (row.first == a && row.second == b) || (row.first == b && row.second == a);
    };
    const auto same = [&](const Row& row) {
        // Points that are to be one tell nothing of which wire between them is meant.
        if (row.expect == Expect::Joined) return false;
        const auto one = [&](const TerminalId& x, const TerminalId& y) {
            return x == y || wiring::joined(wiring, x, y);
        };
        return (one(row.first, a) && one(row.second, b)) ||
               (one(row.first, b) && one(row.second, a));
    };
    auto found = std::find_if(matrix.rows.begin(), matrix.rows.end(), exact);
    if (found == matrix.rows.end())
        found = std::find_if(matrix.rows.begin(), matrix.rows.end(), same);
    return found == matrix.rows.end() ? nullptr : &*found;
}

Matrix matrixOf(const Job& job, ResistorLeg leg) {
    const wiring::Wiring wiring = probed(job, leg);
    Matrix matrix;
    matrix.rows = pairsOf(job, wiring);
    matrix.shortIsEnough = shortSuffices(job);
    for (Row& row : matrix.rows) {
        expect(row, job, wiring);
        reach(row, job, wiring);
        row.junction = row.expect == Expect::Open && junctionMayLie(row.about);
        row.shortProof = row.about == About::Rails || row.about == About::BrushFrame ||
                         row.about == About::Supply ||
                         (matrix.shortIsEnough && row.about == About::Lead);
    }
    // No meter shows a lamp that more than the diode test's volts light.
    std::erase_if(matrix.rows, [](const Row& row) {
        return row.about == About::Lamp && row.expect == Expect::Open;
    });
    std::stable_sort(matrix.rows.begin(), matrix.rows.end(),
                     [](const Row& a, const Row& b) { return a.shortProof && !b.shortProof; });
    for (const PairReading& reading : job.pairs) {
        const Row* of = rowBetween(matrix, wiring, reading.red, reading.black);
        if (!of) continue;
        // As the row has its points, whatever one with them was probed.
        const bool straight =
            reading.red == of->first || wiring::joined(wiring, reading.red, of->first);
        PairReading oriented = reading;
        oriented.red = straight ? of->first : of->second;
        oriented.black = straight ? of->second : of->first;
        matrix.rows[static_cast<std::size_t>(of - matrix.rows.data())].read.push_back(
            std::move(oriented));
    }
    for (Row& row : matrix.rows) {
        if (!row.read.empty()) judgeRow(row, restsOf(job, wiring, row.first, row.second));
    }
    prove(matrix);
    return matrix;
}

const Matrix& matrixOf(const JobAnalysis& facts) { return facts.fact<MatrixFact>(); }

}  // namespace glimmet::core::meter
