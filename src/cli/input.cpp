#include "cli/input.h"

#include "core/text.h"

#include <algorithm>
#include <array>
#include <filesystem>
#include <fstream>
#include <iostream>

namespace glimmet::cli {
namespace {

std::string complaint(const std::string& path, std::string_view found, std::string_view allowed) {
    return path + ": /: found " + std::string(found) + ", allowed: " + std::string(allowed);
}

}  // namespace

std::optional<std::string> unreadable(const std::string& path, std::string_view allowed) {
    std::error_code unknown;
    const auto status = std::filesystem::status(path, unknown);
    switch (status.type()) {
        case std::filesystem::file_type::regular:
            return {};
        case std::filesystem::file_type::directory:
            return complaint(path, "a folder", allowed);
        case std::filesystem::file_type::not_found:
        case std::filesystem::file_type::none:
        case std::filesystem::file_type::unknown:
            return complaint(path, "no readable file", allowed);
        default:
            return complaint(path, "a device or a pipe", allowed);
    }
}

tl::expected<std::string, std::string> contents(const std::string& path, std::string_view allowed) {
    std::ifstream file;
    if (path != "-") {
        if (auto fault = unreadable(path, allowed)) return tl::unexpected(std::move(*fault));
        file.open(path, std::ios::binary);
        if (!file) return tl::unexpected(complaint(path, "no readable file", allowed));
    }
    std::istream& from = path == "-" ? std::cin : file;
    std::string text;
    std::array<char, 1 << 16> part{};
    while (from.read(part.data(), part.size()) || from.gcount() > 0) {
        text.append(part.data(), static_cast<std::size_t>(from.gcount()));
        if (text.size() > mostInput) {
            return tl::unexpected(complaint(path, "more than 64 MiB", "a smaller file"));
        }
    }
    if (from.bad()) return tl::unexpected(complaint(path, "no readable file", allowed));
    return text;
}

std::vector<std::string> linesOf(std::string_view text) {
    std::vector<std::string> lines;
    while (!text.empty()) {
        const std::size_t end = std::min(text.find('\n'), text.size());
        std::string_view line = text.substr(0, end);
        text.remove_prefix(std::min(end + 1, text.size()));
        if (line.ends_with('\r')) line.remove_suffix(1);
        if (line.find_first_not_of(" \t") != std::string_view::npos) lines.emplace_back(line);
    }
    return lines;
}

bool isUtf8(std::string_view words) { return core::firstNotUtf8(words) == words.size(); }

std::string escaped(std::string_view words) {
    static constexpr char hex[] = "0123456789abcdef";
    std::string out;
    while (!words.empty()) {
        const std::size_t good = core::firstNotUtf8(words);
        out += words.substr(0, good);
        words.remove_prefix(good);
        if (words.empty()) break;
        const auto byte = static_cast<unsigned char>(words.front());
        out += {'\\', 'x', hex[byte >> 4], hex[byte & 15]};
        words.remove_prefix(1);
    }
    return out;
}

}  // namespace glimmet::cli
