// What takes up room in a model.
#pragma once

#include "core/record/job.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

/// A thing that lies in the model: outer measures with wires and sleeve.
struct Box {
    std::string what;  ///< "decoder", "bank"; of other items their id
    std::string name;  ///< "2200 µF 25 V electrolytic"
    Millimetres length{}, width{}, height{};
    std::optional<Fitted> wanted;  ///< where it was put; nothing: where there is room
};
/// What is fitted in a job: its decoder, its bank, its other items; as measured where that was
/// done.
[[nodiscard]] std::vector<Box> boxesOf(const Job& job);

}  // namespace glimmet::core
