// Reads any bytes as a netlist: faults with line, found and allowed, or a circuit that is written
// and read back as the same text.
#include "core/circuit/spice.h"

#include <cstdint>
#include <cstdio>
#include <cstdlib>

using namespace glimmet::core::circuit;

namespace {

void require(bool good, const char* what) {
    if (good) return;
    std::fprintf(stderr, "%s\n", what);
    std::abort();
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    const ReadNetlist read = readNetlist({reinterpret_cast<const char*>(data), size});
    for (const NetlistFault& each : read.faults)
        require(each.line > 0 && !each.found.empty() && !each.allowed.empty(), "a bare fault");
    if (!read.faults.empty()) return 0;
    Netlist netlist = read.netlist;
    netlist.circuit.title.clear();
    const std::string text = writtenNetlist(netlist);
    ReadNetlist again = readNetlist(text);
    require(again.faults.empty(), text.c_str());
    again.netlist.circuit.title.clear();
    require(writtenNetlist(again.netlist) == text, text.c_str());
    return 0;
}
