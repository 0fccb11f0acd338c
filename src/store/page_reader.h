// Reads the rows of a SQLite file page by page, without SQLite: what of a damaged file still stands
// on whole pages, whatever became of the pages that lead there.
// Source: "Database File Format", the SQLite documentation, sections 1.3 to 1.6 and 2.1.
#pragma once

#include <cstddef>
#include <cstdint>
#include <functional>
#include <optional>
#include <span>
#include <string>
#include <variant>
#include <vector>

namespace glimmet::store {

using RawValue = std::variant<std::monostate, std::int64_t, double, std::string>;
struct RawRow {
    std::int64_t id = 0;
    std::vector<RawValue> values;  ///< NULL where the row's id stands in for a column
};

/// How a file is cut into pages: their size, and what each keeps free at its end.
struct PageShape {
    std::size_t size = 4096;
    std::size_t reserved = 0;
    bool operator==(const PageShape&) const = default;
};
/// What the file's header says, which may be damaged; nothing where it says nothing possible.
[[nodiscard]] std::optional<PageShape> saidShape(std::span<const std::byte> file);

/// Hands over every row that stands whole on table pages, in the order of pages. Pages on the
/// free list are left out, where the list is as long as the header says. A row whose contents were
/// overwritten may still look whole: who takes it checks it. Rows above `mostBytes` are left out.
void eachRow(std::span<const std::byte> file, PageShape shape,
             const std::function<void(RawRow)>& take, std::size_t mostBytes = 64U << 20);

}  // namespace glimmet::store
