// SPICE netlists: reading and writing the subset that Glimmet knows.
//
// A title line; `*` comments; `+` continuation; R C V I D; .model NAME D(IS N RS BV IBV); sources
// as a DC value, PULSE, SIN, PWL; suffixes t g meg k m u n p f (letters after them are ignored);
// one of .op, .dc SRC start stop step, .tran tstep tstop; .end. Case does not count.
#pragma once

#include "core/circuit/analysis.h"

#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace glimmet::core::circuit {

struct OpAnalysis {};
struct DcAnalysis {
    std::string source;
    SweepRange range;
};
using Analysis = std::variant<OpAnalysis, DcAnalysis, TransientSpan>;

struct Netlist {
    Circuit circuit;
    Analysis analysis;
    std::size_t analysisLine = 0;  ///< where a netlist that was read asks for it
};

/// What is wrong with a line of a netlist.
struct NetlistFault {
    std::size_t line = 0;  ///< counted from 1; a continued line is told by its first
    std::string found;
    std::string allowed;
};

/// The netlist, or every fault that was found in it; never both, never neither.
struct ReadNetlist {
    Netlist netlist;
    std::vector<NetlistFault> faults;
};
[[nodiscard]] ReadNetlist readNetlist(std::string_view text);

/// The netlist as text that a general circuit simulator runs unchanged; every digit is kept.
[[nodiscard]] std::string writtenNetlist(const Netlist& netlist);

}  // namespace glimmet::core::circuit
