// What the command line is given: files and names, before anything is made of them.
#pragma once

#include <tl/expected.hpp>

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace glimmet::cli {

/// The line to complain with when a path leads to no file that could be read: a folder, a device,
/// a pipe (which would block for ever), nothing.
[[nodiscard]] std::optional<std::string> unreadable(const std::string& path,
                                                    std::string_view allowed);

/// A whole file, or standard input for "-", up to mostInput bytes; else the line to complain with.
[[nodiscard]] tl::expected<std::string, std::string> contents(const std::string& path,
                                                              std::string_view allowed);
inline constexpr std::size_t mostInput = 64U << 20;

/// Its lines, without their ends; lines with nothing on them are left out.
[[nodiscard]] std::vector<std::string> linesOf(std::string_view text);

/// Words and paths are UTF-8: others would be changed on the way, and name another file.
[[nodiscard]] bool isUtf8(std::string_view words);
/// The same with every byte that is none of UTF-8 as \xNN.
[[nodiscard]] std::string escaped(std::string_view words);

}  // namespace glimmet::cli
