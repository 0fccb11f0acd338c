// Whether this program runs under the address sanitizer, which takes several times as long: what
// only repeats, or needs a limit on memory, does less there and all of it in the release build.
#pragma once

namespace glimmet::tests {

#if defined(__SANITIZE_ADDRESS__)
inline constexpr bool sanitized = true;
#elif defined(__has_feature)
#if __has_feature(address_sanitizer)
inline constexpr bool sanitized = true;
#else
inline constexpr bool sanitized = false;
#endif
#else
inline constexpr bool sanitized = false;
#endif

}  // namespace glimmet::tests
