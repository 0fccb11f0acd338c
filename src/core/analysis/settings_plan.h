// What a decoder is to be told: values by their meaning, with the variables that hold them; the
// list by which they are keyed in; what a read-back says otherwise.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/text.h"

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

struct PlannedValue {
    std::string meaning;    ///< "address", "momentum start", "key F1"
    Text words;             ///< "3107", "20 s from rest to top speed"
    std::map<int, int> CV;  ///< number and value; empty: it cannot be told so
    Text check;             ///< what the model does then: "it answers to 3107"
    Text fault{};           ///< why it cannot be set so; empty: it can
    bool assumed = false;   ///< nobody chose it
    bool operator==(const PlannedValue&) const = default;
};

struct KeyIn {
    int CV = 0, value = 0;
    Text press;         ///< "CV 17 = 204"
    Text check;         ///< after the last of a value; else empty
    bool done = false;  ///< ticked
    bool held = false;  ///< ticked, or read back so
};
struct Difference {
    int CV = 0, planned = 0, read = 0;
};

struct SettingsPlan {
    std::vector<PlannedValue> values;
    std::map<int, int> CV;  ///< all of them together
    std::vector<KeyIn> keyIn;
    std::vector<Difference> differences;  ///< of the last read-back
};
/// `house`: with what the job has otherwise. Empty without a decoder.
[[nodiscard]] SettingsPlan settingsPlan(const Job& job, const WorkshopRules& house);

/// The time from top speed to standstill that a stop within a distance takes: t = 2 s / v, the
/// speed taken as the top speed (core/cv/momentum.h).
[[nodiscard]] Seconds stopTimeOf(const StopWithin& stop, const Scale& scale);
/// The address by the house's rule: from the digits of its name; nothing: it has none.
[[nodiscard]] std::optional<int> addressFromName(const Job& job);
inline constexpr int factoryAddress = 3;
/// Whether the direction bit is set: each swap of it turns it.
[[nodiscard]] bool reversedBySwaps(const Job& job);

}  // namespace glimmet::core
