// Points of a model by the words of the bench: "brush", "axle 1 left", "front lamp plus".
#pragma once

#include "core/analysis/wiring/wiring.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::core::meter {

struct Called {
    TerminalId id;
    std::vector<std::string> words;  ///< lower case; the first is how Glimmet says it
};
/// Every point that a probe can go to, each with what it is called.
[[nodiscard]] std::vector<Called> pointsCalled(const Job& job, const wiring::Wiring& wiring);
[[nodiscard]] const Called* pointCalled(const std::vector<Called>& all, std::string_view words);

}  // namespace glimmet::core::meter
