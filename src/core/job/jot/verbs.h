// The verbs of the jot language. Each reads what stands behind its word; jot.cpp lists them with
// their examples.
#pragma once

#include "core/job/jot/words.h"

namespace glimmet::core::jot {

[[nodiscard]] Result<Jotted> stall(const Line& line);
[[nodiscard]] Result<Jotted> slip(const Line& line);
[[nodiscard]] Result<Jotted> haul(const Line& line);
[[nodiscard]] Result<Jotted> light(const Line& line);
[[nodiscard]] Result<Jotted> ohms(const Line& line);
[[nodiscard]] Result<Jotted> track(const Line& line);
[[nodiscard]] Result<Jotted> rectifier(const Line& line);
[[nodiscard]] Result<Jotted> bridge(const Line& line);
[[nodiscard]] Result<Jotted> switchDrop(const Line& line);
[[nodiscard]] Result<Jotted> supply(const Line& line);
[[nodiscard]] Result<Jotted> rule(const Line& line);
[[nodiscard]] Result<Jotted> margin(const Line& line);
[[nodiscard]] Result<Jotted> motor(const Line& line);
[[nodiscard]] Result<Jotted> decoder(const Line& line);
[[nodiscard]] Result<Jotted> lamp(const Line& line);
[[nodiscard]] Result<Jotted> parallel(const Line& line);
[[nodiscard]] Result<Jotted> inlineLamp(const Line& line);
[[nodiscard]] Result<Jotted> resistor(const Line& line);
[[nodiscard]] Result<Jotted> shared(const Line& line);
[[nodiscard]] Result<Jotted> target(const Line& line);
[[nodiscard]] Result<Jotted> series(const Line& line);
[[nodiscard]] Result<Jotted> output(const Line& line);
[[nodiscard]] Result<Jotted> place(const Line& line);
[[nodiscard]] Result<Jotted> removeThing(const Line& line);
[[nodiscard]] Result<Jotted> note(const Line& line);
[[nodiscard]] Result<Jotted> timeSpent(const Line& line);
[[nodiscard]] Result<Jotted> nameJob(const Line& line);
[[nodiscard]] Result<Jotted> owner(const Line& line);
[[nodiscard]] Result<Jotted> scale(const Line& line);
[[nodiscard]] Result<Jotted> length(const Line& line);

}  // namespace glimmet::core::jot
