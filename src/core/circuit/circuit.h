// A circuit as a value: nodes and the elements between them. Nothing here computes.
#pragma once

#include "core/circuit/waveform.h"
#include "core/quantity/quantities.h"

#include <limits>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core::circuit {

using Node = std::size_t;  ///< index into Circuit::nodes; 0 is ground
inline constexpr Node ground = 0;

struct Resistor {
    std::string name;
    Node a = ground, b = ground;
    Ohms resistance{};  ///< > 0
};
struct Capacitor {
    std::string name;
    Node a = ground, b = ground;
    Farads capacitance{};  ///< > 0
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
/// I = Is·(exp(V/(N·Vt)) − 1) − Ibv·exp(−(V + BV)/(N·Vt)), with Rs in series; Vt at 300.15 K.
/// In breakdown the current is Ibv at −BV and grows with the same slope.
struct DiodeModel {
    std::string name;
    Amperes saturation{1e-14};                                 ///< Is, > 0
    double emission = 1;                                       ///< N, > 0
    Ohms series{};                                             ///< Rs, >= 0
    Volts breakdown{std::numeric_limits<double>::infinity()};  ///< BV, > 0; infinite: none
    Amperes breakdownCurrent{1e-3};                            ///< IBV, > 0
};
struct Diode {
    std::string name;
    Node anode = ground, cathode = ground;
    std::size_t model = 0;  ///< index into Circuit::models
};

struct Circuit {
    std::string title;
    std::vector<std::string> nodes{"0"};
    std::vector<DiodeModel> models;
    std::vector<Resistor> resistors;
    std::vector<Capacitor> capacitors;
    std::vector<VoltageSource> voltageSources;
    std::vector<CurrentSource> currentSources;
    std::vector<Diode> diodes;
};

/// The node of a name, made if it is not there. "0" and "gnd" are ground; case does not count.
Node nodeNamed(Circuit& circuit, std::string_view name);

}  // namespace glimmet::core::circuit
