// What goes wrong in a model's wiring, one thing at a time, and what the circuit does then.
#pragma once

#include "core/circuit/analysis.h"

#include <string>
#include <vector>

namespace glimmet::core::circuit {

struct Fault {
    enum class Kind { DiodeOpen, DiodeShort, DiodeReversed, CapacitorReversed, WireOff } kind{};
    std::size_t element = 0;  ///< index among the circuit's diodes, capacitors or resistors
    std::string name;         ///< of that element
};

/// Every single fault of a circuit: each diode open, short and reversed; each polarised capacitor
/// reversed; each wire off.
[[nodiscard]] std::vector<Fault> singleFaults(const Circuit& circuit);

/// The circuit with a fault. What is open is a teraohm, what is short a milliohm. A polarised
/// capacitor that is reversed conducts like a poor diode (1.6 mA at a volt; an assumption, real
/// ones vary widely, and heat up). The other elements keep their order; parts are added at the end.
[[nodiscard]] Circuit withFault(const Circuit& circuit, const Fault& fault);

struct FaultOutcome {
    Fault fault;
    Result<OperatingPoint> point;  ///< currents of a diode that is open or short are 0
};
[[nodiscard]] std::vector<FaultOutcome> oneFaultAtATime(const Circuit& circuit);

}  // namespace glimmet::core::circuit
