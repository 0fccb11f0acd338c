#include "store/page_reader.h"

#include <algorithm>
#include <bit>
#include <set>

namespace glimmet::store {
namespace {

using Bytes = std::span<const std::byte>;

std::uint64_t bigEndian(Bytes bytes) {
    std::uint64_t value = 0;
    for (const std::byte each : bytes) value = value << 8 | std::to_integer<std::uint64_t>(each);
    return value;
}

/// Reads forward through bytes; past their end everything is nothing.
class Reader {
public:
    explicit Reader(Bytes bytes) : m_bytes(bytes) {}
    [[nodiscard]] std::optional<std::uint64_t> varint() {
        std::uint64_t value = 0;
        for (int i = 0; i < 9; ++i) {
            if (m_at >= m_bytes.size()) return {};
            const auto byte = std::to_integer<std::uint64_t>(m_bytes[m_at++]);
            if (i == 8) return value << 8 | byte;  // the ninth byte counts whole
            value = value << 7 | (byte & 0x7f);
            if (byte < 0x80) return value;
        }
        return {};
    }
    [[nodiscard]] std::optional<Bytes> take(std::uint64_t count) {
        if (count > m_bytes.size() - m_at) return {};
        const Bytes taken = m_bytes.subspan(m_at, static_cast<std::size_t>(count));
        m_at += static_cast<std::size_t>(count);
        return taken;
    }
    [[nodiscard]] std::size_t at() const { return m_at; }

private:
    Bytes m_bytes;
    std::size_t m_at = 0;
};

/// A value of a serial type (section 2.1).
std::optional<RawValue> valueOf(std::uint64_t type, Reader& body) {
    constexpr std::size_t wholeBytes[] = {0, 1, 2, 3, 4, 6, 8};
    if (type == 0) return RawValue{};
    if (type == 8 || type == 9) return RawValue{static_cast<std::int64_t>(type - 8)};
    if (type < 7) {
        const auto bytes = body.take(wholeBytes[type]);
        if (!bytes) return {};
        const auto unused = static_cast<int>(64 - 8 * bytes->size());
        // Two's complement of fewer bytes: the sign is spread by shifting there and back.
        return RawValue{static_cast<std::int64_t>(bigEndian(*bytes) << unused) >> unused};
    }
    if (type == 7) {
        const auto bytes = body.take(8);
        if (!bytes) return {};
        return RawValue{std::bit_cast<double>(bigEndian(*bytes))};
    }
    if (type < 12) return {};
    const auto bytes = body.take((type - 12) / 2);
    if (!bytes) return {};
    return RawValue{std::string(reinterpret_cast<const char*>(bytes->data()), bytes->size())};
}

std::optional<RawRow> rowOf(std::int64_t id, Bytes payload) {
    Reader start(payload);
    const auto headerSize = start.varint();
    if (!headerSize || *headerSize > payload.size() || *headerSize < start.at()) return {};
    Reader header(payload.first(static_cast<std::size_t>(*headerSize)));
    (void)header.varint();
    Reader body(payload.subspan(static_cast<std::size_t>(*headerSize)));
    RawRow row{id, {}};
    while (header.at() < *headerSize) {
        const auto type = header.varint();
        if (!type) return {};
        auto value = valueOf(*type, body);
        if (!value) return {};
        row.values.push_back(std::move(*value));
    }
    return row;
}

class Pages {
public:
    Pages(Bytes file, PageShape shape)
        : m_file(file), m_size(shape.size), m_usable(shape.size - shape.reserved) {}
    [[nodiscard]] std::uint64_t count() const { return m_file.size() / m_size; }
    /// Pages count from 1.
    [[nodiscard]] std::optional<Bytes> page(std::uint64_t number) const {
        if (number < 1 || number > count()) return {};
        return m_file.subspan(static_cast<std::size_t>(number - 1) * m_size, m_size);
    }
    [[nodiscard]] std::size_t usable() const { return m_usable; }

    [[nodiscard]] std::set<std::uint64_t> freeOnes() const {
        std::set<std::uint64_t> free;
        if (m_file.size() < 100) return free;
        const std::uint64_t said = bigEndian(m_file.subspan(36, 4));
        std::uint64_t trunk = bigEndian(m_file.subspan(32, 4));
        while (const auto bytes = page(trunk)) {
            if (free.size() > said || !free.insert(trunk).second) break;
            const std::uint64_t leaves = bigEndian(bytes->subspan(4, 4));
            if (leaves > m_usable / 4 - 2) break;  // no trunk page
            for (std::uint64_t i = 0; i < leaves; ++i) {
                free.insert(bigEndian(bytes->subspan(8 + 4 * static_cast<std::size_t>(i), 4)));
            }
            trunk = bigEndian(bytes->first(4));
        }
        // A damaged list may name pages that are in use: then none counts as free.
        return free.size() == said ? free : std::set<std::uint64_t>();
    }

    /// A cell of a table leaf (section 1.6) with what it continues on overflow pages.
    [[nodiscard]] std::optional<RawRow> cell(Bytes page, std::size_t at,
                                             std::size_t mostBytes) const {
        if (at >= m_usable) return {};
        Reader reader(page.subspan(at, m_usable - at));
        const auto size = reader.varint();
        const auto id = reader.varint();
        if (!size || !id || *size > mostBytes || *size > m_file.size()) return {};
        const std::size_t whole = static_cast<std::size_t>(*size);
        const std::size_t most = m_usable - 35;
        const std::size_t least = (m_usable - 12) * 32 / 255 - 23;
        std::size_t here = whole;
        if (whole > most) {
            here = least + (whole - least) % (m_usable - 4);
            if (here > most) here = least;
        }
        const auto local = reader.take(here);
        if (!local) return {};
        std::vector<std::byte> payload(local->begin(), local->end());
        if (here < whole) {
            const auto first = reader.take(4);
            if (!first) return {};
            std::uint64_t next = bigEndian(*first);
            payload.reserve(whole);
            while (payload.size() < whole) {
                const auto bytes = this->page(next);
                if (!bytes) return {};
                next = bigEndian(bytes->first(4));
                const std::size_t more = std::min(whole - payload.size(), m_usable - 4);
                const Bytes rest = bytes->subspan(4, more);
                payload.insert(payload.end(), rest.begin(), rest.end());
            }
        }
        return rowOf(static_cast<std::int64_t>(*id), payload);
    }

private:
    Bytes m_file;
    std::size_t m_size;
    std::size_t m_usable;
};

}  // namespace

std::optional<PageShape> saidShape(Bytes file) {
    constexpr std::size_t leastUsable = 480;
    if (file.size() < 21) return {};
    const std::uint64_t said = bigEndian(file.subspan(16, 2));
    const std::size_t size = said == 1 ? 65536 : static_cast<std::size_t>(said);
    const auto reserved = std::to_integer<std::size_t>(file[20]);
    if (size < 512 || !std::has_single_bit(size) || reserved > size - leastUsable) return {};
    return PageShape{size, reserved};
}

void eachRow(Bytes file, PageShape shape, const std::function<void(RawRow)>& take,
             std::size_t mostBytes) {
    const Pages pages(file, shape);
    const std::set<std::uint64_t> free = pages.freeOnes();
    constexpr auto tableLeaf = std::byte{0x0D};
    for (std::uint64_t number = 1; number <= pages.count(); ++number) {
        if (free.contains(number)) continue;
        const Bytes page = *pages.page(number);
        const std::size_t start = number == 1 ? 100 : 0;  // the file's header stands on page 1
        if (page[start] != tableLeaf) continue;
        const std::uint64_t cells = bigEndian(page.subspan(start + 3, 2));
        for (std::uint64_t i = 0; i < cells; ++i) {
            const std::size_t pointer = start + 8 + 2 * static_cast<std::size_t>(i);
            if (pointer + 2 > pages.usable()) break;
            const auto at = static_cast<std::size_t>(bigEndian(page.subspan(pointer, 2)));
            if (auto row = pages.cell(page, at, mostBytes)) take(std::move(*row));
        }
    }
}

}  // namespace glimmet::store
