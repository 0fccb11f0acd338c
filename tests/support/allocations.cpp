#include "support/allocations.h"

#include <cstdlib>
#include <new>

namespace {
thread_local long count = 0;
}  // namespace

void* operator new(std::size_t size) {
    ++count;
    if (void* memory = std::malloc(size)) return memory;
    throw std::bad_alloc();
}
// Sorting asks for its buffer in this form; what it gives back comes to the same delete.
void* operator new(std::size_t size, const std::nothrow_t&) noexcept {
    ++count;
    return std::malloc(size);
}
void operator delete(void* memory) noexcept { std::free(memory); }
void operator delete(void* memory, std::size_t) noexcept { std::free(memory); }

long glimmet::tests::allocations() { return count; }
