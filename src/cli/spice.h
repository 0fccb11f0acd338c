// `glimmet-cli spice FILE.cir`: reads a netlist, runs its analysis, prints JSON. Contract:
// docs/cli.md.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace glimmet::cli {

struct SpiceRun {
    std::string json;                 ///< empty where there are faults
    std::vector<std::string> faults;  ///< "line 3: found …, allowed: …"
};
[[nodiscard]] SpiceRun spiceRun(std::string_view netlist);

}  // namespace glimmet::cli
