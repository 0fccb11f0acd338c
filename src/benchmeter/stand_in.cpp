#include "benchmeter/stand_in.h"

#include "core/analysis/lamp_groups.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/rating.h"
#include "core/analysis/wiring/terminals.h"
#include "core/analysis/wiring/wired_circuit.h"
#include "core/circuit/analysis.h"
#include "core/circuit/parts.h"
#include "core/instrument/scpi.h"
#include "core/led/led.h"

#include <algorithm>
#include <charconv>
#include <cmath>

namespace glimmet::benchmeter {
namespace {

using namespace core;

constexpr double supplyResistance = 0.15;  // Ω, leads and terminals
constexpr double supplyLimit = 3;          // A
constexpr double testResistor = 1000;      // Ω, in a lamp's way
constexpr double testLeads = 0.22;         // Ω, of the meter
constexpr double noise = 0.0015;           // of a value, one sigma
// A small motor's winding: copper, some 30 K/W to the air, and a minute to get there.
constexpr double copper = 0.0039, kelvinPerWatt = 30, thermalTime = 60;

std::string upper(std::string_view words) {
    std::string made(words);
    for (char& c : made) c = c >= 'a' && c <= 'z' ? static_cast<char>(c - 32) : c;
    return made;
}

/// "MEASURE:VOLTAGE:DC?" and "MEAS:VOLT:DC?" are the same: each word by its short form.
std::string shortForm(std::string_view header) {
    constexpr std::pair<std::string_view, std::string_view> words[] = {
        {"MEASURE", "MEAS"}, {"VOLTAGE", "VOLT"}, {"CURRENT", "CURR"}, {"RESISTANCE", "RES"},
        {"OUTPUT", "OUTP"},  {"SYSTEM", "SYST"},  {"ERROR", "ERR"}};
    std::string made;
    std::string rest = upper(header);
    if (rest.starts_with(':')) rest.erase(0, 1);
    while (!rest.empty()) {
        const auto end = std::min(rest.find_first_of(":?"), rest.size());
        std::string word = rest.substr(0, end);
        for (const auto& [whole, brief] : words) {
            if (word == whole) word = brief;
        }
        made += word;
        if (end < rest.size()) made += rest[end];
        rest.erase(0, end + 1);
    }
    return made;
}

const Lamp* lampOf(const LampGroup& group) {
    return group.rows.empty() || group.rows.front().lamps.empty()
               ? nullptr
               : &group.rows.front().lamps.front();
}

constexpr std::string_view places[] = {"left rail", "right rail", "motor plus", "motor minus",
                                       "frame"};

}  // namespace

StandIn::StandIn(Job job, unsigned seed) : m_job(std::move(job)), m_random(seed) {
    const auto motors = motorsOf(m_job);
    if (motors.empty()) return;
    if (const auto usual = usualCurrents(m_job)) {
        m_light = usual->running.value() * 0.4;
        m_haul = usual->running.value() * 0.7;
        m_slip = usual->slip.value() * 0.8;
        m_cold = 12 / usual->stall.value();
    }
    const MotorEvidence evidence = motorEvidence(*motors.front().motor);
    if (const auto path = pathResistance(evidence.readings, evidence.winding)) {
        m_cold = path->value();
    }
    // The last of a kind is how it is now.
    for (const MotorReading& reading : evidence.readings) {
        const double amps = reading.amps.value();
        if (reading.condition == MotorCondition::Light) m_light = amps;
        if (reading.condition == MotorCondition::Hauling) m_haul = amps;
        if (reading.condition == MotorCondition::Slipping) m_slip = amps;
    }
    m_haul = std::max(m_haul, m_light * 1.4);
    m_slip = std::max(m_slip, m_haul * 1.5);
}

double StandIn::winding() const {
    // Its ohms change a little as the brushes bridge one segment or two.
    const double place = 1 + 0.03 * std::sin(2.4 * m_turns);
    return m_cold * place * (1 + copper * m_warmer);
}

double StandIn::runningAmps() const {
    // Friction grows a little with speed.
    const double speed = 0.8 + 0.2 * m_supply / 12;
    switch (m_hands.what) {
        case Hands::Do::Light:
            return m_light * speed;
        case Hands::Do::Haul:
            return m_haul * speed;
        case Hands::Do::Slip:
            return m_slip;
        default:
            return 0;
    }
}

StandIn::Point StandIn::motorPoint() const {
    if (!m_on || m_supply <= 0) return {};
    // A turning motor takes what its load asks for and makes the rest of the volts itself; where
    // the supply cannot drive that current it does not turn.
    const double most = m_supply / (winding() + supplyResistance);
    const double wanted = m_hands.what == Hands::Do::Stall ? most : std::min(runningAmps(), most);
    const double supply = std::min(m_supply, supplyLimit * (winding() + supplyResistance));
    circuit::Circuit bench;
    const auto terminal = circuit::nodeNamed(bench, "terminal");
    const auto brush = circuit::nodeNamed(bench, "brush");
    circuit::addSupply(bench, "supply", terminal, circuit::ground, circuit::Constant{supply});
    circuit::addWire(bench, "leads", terminal, brush, Ohms{supplyResistance});
    circuit::addMotor(bench, "motor", brush, circuit::ground,
                      {Ohms{winding()},
                       Volts{std::max(supply - wanted * (winding() + supplyResistance), 0.0)},
                       {},
                       {}});
    const auto solved = circuit::operatingPoint(bench);
    if (!solved) return {};
    return {solved->voltage[brush], -solved->current.front()};
}

StandIn::Point StandIn::lampPoint() const {
    if (!m_on) return {};
    for (const LampGroup& group : m_job.groups) {
        const Lamp* lamp = lampOf(group);
        if (group.name != m_hands.thing || !lamp) continue;
        const auto known = law(lamp->part);
        const auto* led = known ? std::get_if<LedLaw>(&*known) : nullptr;
        circuit::Circuit bench;
        const auto terminal = circuit::nodeNamed(bench, "terminal");
        const auto anode = circuit::nodeNamed(bench, "anode");
        circuit::addSupply(bench, "supply", terminal, circuit::ground, circuit::Constant{m_supply});
        circuit::addResistor(bench, "test", terminal, anode, Ohms{testResistor});
        if (const auto& bulb = lamp->part.filament) {
            circuit::addOnePort(bench, "lamp", anode, circuit::ground,
                                circuit::Filament{bulb->rated, bulb->current});
        } else {
            circuit::addDiode(bench, "lamp", anode, circuit::ground,
                              diodeModel(led ? *led : typicalLaw(lamp->part.family), "led"));
        }
        const auto solved = circuit::operatingPoint(bench);
        if (!solved) return {};
        return {solved->voltage[anode], -solved->current.front()};
    }
    return {};
}

StandIn::Point StandIn::point() const {
    switch (m_hands.what) {
        case Hands::Do::Lamp:
            return lampPoint();
        case Hands::Do::Light:
        case Hands::Do::Haul:
        case Hands::Do::Slip:
        case Hands::Do::Stall:
            return motorPoint();
        case Hands::Do::Nothing:
        case Hands::Do::Ohms:
        case Hands::Do::Wire:
            break;
    }
    return {m_hands.what == Hands::Do::Nothing && m_on ? m_supply : 0, 0};
}

std::optional<double> StandIn::resistance() {
    if (m_hands.what == Hands::Do::Ohms && !motorsOf(m_job).empty()) {
        ++m_turns;  // the rotor is turned on by hand from reading to reading
        return winding();
    }
    return m_hands.what == Hands::Do::Wire ? wireResistance() : std::nullopt;
}

std::optional<double> StandIn::wireResistance() const {
    // As the model came, its motor with the ohms that it plays.
    wiring::Wiring found = wiring::wiringOf(m_job, {}, {wiring::Stand::Which::Found, {}});
    for (wiring::Element& each : found.elements) {
        if (each.kind == wiring::Element::Kind::Winding) each.resistance = Ohms{winding()};
    }
    std::optional<double> least;
    for (const Wire& wire : m_job.wires) {
        const auto unit = unitOf(m_job, wire.to);
        if (!wire.factory || wire.colour != m_hands.thing || !unit) continue;
        const TerminalId other = terminalCalled(m_job.units[*unit], m_hands.to);
        const auto read = wiring::ohmsBetween(found, wire.to, other);
        if (read && *read) least = std::min(least.value_or(1e9), (*read)->value());
    }
    return least ? std::optional(*least + testLeads) : std::nullopt;
}

void StandIn::warm(double now) {
    const double passed = std::clamp(now - m_now, 0.0, 600.0);
    m_now = std::max(now, m_now);
    const double amps = m_hands.what == Hands::Do::Lamp ? 0 : point().amps;
    const double wanted = amps * amps * winding() * kelvinPerWatt;
    // Copper that is burnt does not get warmer.
    m_warmer = std::min(wanted + (m_warmer - wanted) * std::exp(-passed / thermalTime), 150.0);
}

std::string StandIn::read(double value, std::initializer_list<double> ranges) {
    std::normal_distribution<> normal;
    double slips = m_hands.what == Hands::Do::Slip ? 0.03 : noise;
    value *= 1 + slips * normal(m_random);
    for (const double range : ranges) {
        if (std::abs(value) > range) continue;
        const double step = range / 20000;
        char words[32];
        const auto [end, error] =
            std::to_chars(words, words + sizeof words, std::round(value / step) * step,
                          std::chars_format::scientific, 6);
        return error == std::errc{} ? std::string(words, end) : "9.91E+37";
    }
    return "9.9E+37";
}

std::vector<std::string> StandIn::deeds() const {
    std::vector<std::string> all{"OFF"};
    if (!motorsOf(m_job).empty()) {
        for (const char* deed : {"LIGHT", "HAUL", "SLIP", "STALL", "OHMS"}) all.emplace_back(deed);
    }
    for (const LampGroup& group : m_job.groups) {
        if (lampOf(group)) all.push_back("LAMP " + group.name);
    }
    for (const Wire& wire : m_job.wires) {
        if (!wire.factory) continue;
        for (const std::string_view place : places) {
            all.push_back("WIRE " + wire.colour + " TO " + std::string(place));
        }
    }
    return all;
}

bool StandIn::take(std::string_view deed) {
    using Do = Hands::Do;
    for (const std::string& each : deeds()) {
        if (upper(each) != upper(deed)) continue;
        Hands hands;
        if (each == "OFF") hands.what = Do::Nothing;
        if (each == "LIGHT") hands.what = Do::Light;
        if (each == "HAUL") hands.what = Do::Haul;
        if (each == "SLIP") hands.what = Do::Slip;
        if (each == "STALL") hands.what = Do::Stall;
        if (each == "OHMS") hands.what = Do::Ohms;
        if (each.starts_with("LAMP ")) hands = {Do::Lamp, each.substr(5), {}};
        if (each.starts_with("WIRE ")) {
            const auto to = each.find(" TO ");
            hands = {Do::Wire, each.substr(5, to - 5), each.substr(to + 4)};
        }
        m_hands = hands;
        m_deed = each;
        return true;
    }
    return false;
}

std::string StandIn::answer(std::string_view line, double now) {
    warm(now);
    while (!line.empty() && (line.back() == '\r' || line.back() == '\n' || line.back() == ' ')) {
        line.remove_suffix(1);
    }
    while (!line.empty() && line.front() == ' ') line.remove_prefix(1);
    if (line.empty()) return {};
    const auto blank = std::min(line.find(' '), line.size());
    const std::string header = shortForm(line.substr(0, blank));
    const std::string_view words = line.substr(std::min(blank + 1, line.size()));
    if (header == scpi::identity) return "Glimmet,bench simulator," + m_job.name + ",1";
    if (header == scpi::query(Dimension::Voltage)) return read(point().volts, {2, 20, 200});
    if (header == scpi::query(Dimension::Current)) return read(point().amps, {0.2, 2, 10});
    if (header == scpi::query(Dimension::Resistance)) {
        const auto ohms = resistance();
        return ohms ? read(*ohms, {200, 2000, 20000, 2e6}) : "9.9E+37";
    }
    if (header == "VOLT?") return std::to_string(m_supply);
    if (header == "OUTP?") return m_on ? "1" : "0";
    if (header == "HAND?") return m_deed;
    if (header == "HAND:LIST?") {
        std::string all;
        for (const std::string& each : deeds()) all += (all.empty() ? "" : ";") + each;
        return all;
    }
    if (header == "SYST:ERR?") {
        if (m_faults.empty()) return "0,\"No error\"";
        const std::string first = m_faults.front();
        m_faults.erase(m_faults.begin());
        return first;
    }
    if (header == "VOLT") {
        double volts = 0;
        const auto [stop, error] =
            std::from_chars(words.data(), words.data() + words.size(), volts);
        if (error != std::errc{} || stop != words.data() + words.size() || !(volts >= 0) ||
            volts > 30) {
            fault("-222,\"Data out of range\"");
        } else {
            m_supply = volts;
        }
    } else if (header == "OUTP") {
        const std::string state = upper(words);
        if (state == "ON" || state == "1") {
            m_on = true;
        } else if (state == "OFF" || state == "0") {
            m_on = false;
        } else {
            fault("-224,\"Illegal parameter value\"");
        }
    } else if (header == "HAND") {
        if (!take(words)) fault("-224,\"Illegal parameter value\"");
    } else {
        fault("-113,\"Undefined header\"");
    }
    return {};
}

}  // namespace glimmet::benchmeter
