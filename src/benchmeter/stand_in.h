// A bench meter with a supply, and a model on it, simulated: what a job's readings say of its
// motor, wires and lamps is the truth here, solved by the circuit engine and read with noise and
// ranges.
#pragma once

#include "core/record/job.h"

#include <optional>
#include <random>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::benchmeter {

/// What the simulated hands hold or do. A motor runs light, hauls, slips or is held; the probes
/// stand on a lamp (through 1 kΩ) or between a factory wire and one of the places it may lead to.
struct Hands {
    enum class Do { Nothing, Light, Haul, Slip, Stall, Ohms, Lamp, Wire } what = Do::Nothing;
    std::string thing;  ///< the lamp's or the wire's name
    std::string to;     ///< where the other probe stands
};

class StandIn {
public:
    StandIn(core::Job job, unsigned seed);

    /// The answer to a line of SCPI at a time in seconds, or "" to what is no question. Besides
    /// *IDN?, MEAS:VOLT:DC?, MEAS:CURR:DC?, MEAS:RES?, VOLT, VOLT?, OUTP, OUTP? and SYST:ERR? it
    /// knows HAND DEED, HAND? and HAND:LIST?, which a real meter does not. Long forms and any
    /// capitals do as well. What is not known goes on the list of errors.
    std::string answer(std::string_view line, double now);

    /// What the hands can do with this model: "OFF", "LIGHT", "LAMP front lamp" …
    [[nodiscard]] std::vector<std::string> deeds() const;

private:
    struct Point {
        double volts = 0, amps = 0;  ///< across and through what is measured
    };
    [[nodiscard]] Point point() const;
    [[nodiscard]] Point motorPoint() const;
    [[nodiscard]] Point lampPoint() const;
    [[nodiscard]] std::optional<double> resistance();
    [[nodiscard]] std::optional<double> wireResistance() const;
    [[nodiscard]] double winding() const;  ///< Ω, as warm as it is
    [[nodiscard]] double runningAmps() const;
    std::string read(double value, std::initializer_list<double> ranges);
    void warm(double now);
    bool take(std::string_view deed);
    void fault(const char* words) { m_faults.emplace_back(words); }

    core::Job m_job;
    std::mt19937 m_random;
    double m_cold = 12;                                 ///< Ω
    double m_light = 0.18, m_haul = 0.3, m_slip = 0.6;  ///< A
    double m_supply = 12;                               ///< V
    bool m_on = true;
    double m_warmer = 0;  ///< K, the winding above the room
    double m_now = 0;
    int m_turns = 0;  ///< of the rotor, by hand: its ohms differ a little from place to place
    Hands m_hands;
    std::string m_deed = "OFF";  ///< the same, as it was said
    std::vector<std::string> m_faults;
};

}  // namespace glimmet::benchmeter
