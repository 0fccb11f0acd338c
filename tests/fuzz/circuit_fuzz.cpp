// Builds a random circuit and solves it: an answer that keeps Kirchhoff's law, or a sentence.
#include "support/kirchhoff.h"
#include "support/random_circuit.h"

#include <cstdio>
#include <cstdlib>

using namespace glimmet;
using namespace glimmet::core::circuit;

namespace {

void require(bool good, const std::string& what) {
    if (good) return;
    std::fprintf(stderr, "%s\n", what.c_str());
    std::abort();
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    tests::Choices choices({data, size});
    const Circuit circuit = tests::randomCircuit(choices);
    const auto point = operatingPoint(circuit);
    if (!point) {
        require(!core::plain(point.error().what).empty(), "a failure without a sentence");
        return 0;
    }
    const std::string broken = tests::brokenLaw(circuit, *point);
    require(broken.empty(), broken);

    TransientSpan span{1e-4, 2e-3, 1e-4};
    span.mostSteps = 300;
    const auto result = transient(circuit, span);
    if (!result) {
        require(!core::plain(result.error().what).empty(), "a failure without a sentence");
        return 0;
    }
    for (const auto& node : result->voltage) {
        for (const double volts : node) require(std::isfinite(volts), "a voltage that is none");
    }
    return 0;
}
