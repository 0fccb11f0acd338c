// A circuit as a value: nodes and the elements between them. Nothing here computes.
#pragma once

#include "core/circuit/one_port.h"
#include "core/circuit/waveform.h"
#include "core/quantity/quantities.h"

#include <limits>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

namespace glimmet::core::circuit {

using Node = std::size_t;  ///< index into Circuit::nodes; 0 is ground
inline constexpr Node ground = 0;

struct Resistor {
    std::string name;
    Node a = ground, b = ground;
    Ohms resistance{};  ///< > 0
    bool wire = false;  ///< a wire or a contact: something that can come off
};
/// Open in an operating point. Series resistance and leakage are resistors (parts.h).
struct Capacitor {
    std::string name;
    Node a = ground, b = ground;       ///< a is the positive side, where it has one
    Farads capacitance{};              ///< > 0
    bool polarised = false;            ///< electrolytic or tantalum: hurt by reversed volts
    std::optional<Volts> initially{};  ///< a above b when a transient begins; else as at rest
};
/// Holds plus above minus. Its current counts positive into the plus terminal, as in SPICE.
struct VoltageSource {
    std::string name;
    Node plus = ground, minus = ground;
    Waveform volts;
    std::optional<double> dc;  ///< V for operating points and sweeps; else the waveform at 0
};
/// Drives its current from plus through itself to minus, as in SPICE.
struct CurrentSource {
    std::string name;
    Node plus = ground, minus = ground;
    Waveform amps;
    std::optional<double> dc;
};
/// I = Is·(exp(V/(N·Vt)) − 1) − Ibv·exp(−(V + BV)/(N·Vt)), with Rs in series. Is and Ibv are
/// given for 300.15 K. In breakdown the current is Ibv at −BV and grows with the same slope.
/// At another temperature Vt = kT/q and Is grows by (T/T0)^(3/N)·exp((T/T0 − 1)·Eg/(N·Vt)): the
/// law of SPICE with XTI = 3.
struct DiodeModel {
    std::string name;
    Amperes saturation{1e-14};                                 ///< Is, > 0
    double emission = 1;                                       ///< N, > 0
    Ohms series{};                                             ///< Rs, >= 0
    Volts breakdown{std::numeric_limits<double>::infinity()};  ///< BV, > 0; infinite: none
    Amperes breakdownCurrent{1e-3};                            ///< IBV, > 0
    Kelvins temperature{300.15};                               ///< > 0
    double bandGap = 1.11;                                     ///< Eg, eV, >= 0
};
struct Diode {
    std::string name;
    Node anode = ground, cathode = ground;
    std::size_t model = 0;  ///< index into Circuit::models
};
/// Conducts by its gate: `off` at 0, `on` at 1, in between by equal ratios.
struct Switch {
    std::string name;
    Node a = ground, b = ground;
    Ohms on{1e-3}, off{1e9};  ///< > 0
    Waveform gate;            ///< 0 … 1
};
/// An element of two terminals by one of the laws of one_port.h; current counts from a to b.
struct OnePort {
    std::string name;
    Node a = ground, b = ground;
    OnePortLaw law;
};
/// Opens its switch for good when it has melted: heat h in A²s, dh/dt = I² − h·rated²/melting,
/// melts at h = melting. So `rated` is carried for ever and a short pulse of ∫I²dt = melting blows
/// it. An operating point takes it as whole.
struct Fuse {
    std::string name;
    std::size_t opens = 0;  ///< index into Circuit::switches
    Amperes rated{};        ///< > 0
    double melting = 1;     ///< A²s, > 0
};
/// The chip of a blinking lamp: turns its switch on and off, first on. When the volts between plus
/// and minus have been below `resetBelow` for `resetAfter` it stops, and begins anew with `on`
/// when they are back. An operating point takes it as on.
struct Blinker {
    std::string name;
    Node plus = ground, minus = ground;
    std::size_t turns = 0;        ///< index into Circuit::switches
    Seconds on{0.25}, off{0.25};  ///< > 0
    Volts resetBelow{1.8};
    Seconds resetAfter{1e-6};  ///< > 0
};

/// Names of nodes, lower case, in the order they were first named.
class NodeNames {
public:
    /// The node of a name, added if it is not there. "0" and "gnd" are ground; case does not count.
    Node named(std::string_view name);
    [[nodiscard]] std::size_t size() const { return m_names.size(); }
    [[nodiscard]] const std::string& operator[](Node node) const { return m_names[node]; }
    [[nodiscard]] auto begin() const { return m_names.begin(); }
    [[nodiscard]] auto end() const { return m_names.end(); }

private:
    std::vector<std::string> m_names{"0"};
    std::unordered_map<std::string, Node> m_at{{"0", ground}, {"gnd", ground}};
};

struct Circuit {
    std::string title;
    NodeNames nodes;
    std::vector<DiodeModel> models;
    std::vector<Resistor> resistors;
    std::vector<Capacitor> capacitors;
    std::vector<VoltageSource> voltageSources;
    std::vector<CurrentSource> currentSources;
    std::vector<Diode> diodes;
    std::vector<Switch> switches;
    std::vector<OnePort> onePorts;
    std::vector<Fuse> fuses;
    std::vector<Blinker> blinkers;
};

/// NodeNames::named().
inline Node nodeNamed(Circuit& circuit, std::string_view name) { return circuit.nodes.named(name); }

}  // namespace glimmet::core::circuit
