// Counts what a test program allocates; to be linked with allocations.cpp.
#pragma once

namespace glimmet::tests {

/// Calls of operator new on this thread so far.
[[nodiscard]] long allocations();

}  // namespace glimmet::tests
