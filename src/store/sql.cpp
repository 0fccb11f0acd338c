#include "store/sql.h"

#include <sqlite3.h>

#include <memory>
#include <utility>

namespace glimmet::store::sql {
namespace {

/// A foreign program may hold the file for a moment; longer than this is told rather than waited
/// for.
constexpr int busyMilliseconds = 1000;

struct Finalize {
    void operator()(sqlite3_stmt* statement) const { sqlite3_finalize(statement); }
};
using Statement = std::unique_ptr<sqlite3_stmt, Finalize>;

int bound(sqlite3_stmt* statement, int place, const Value& value) {
    if (const auto* whole = std::get_if<std::int64_t>(&value)) {
        return sqlite3_bind_int64(statement, place, *whole);
    }
    if (const auto* real = std::get_if<double>(&value)) {
        return sqlite3_bind_double(statement, place, *real);
    }
    if (const auto* words = std::get_if<std::string_view>(&value)) {
        return sqlite3_bind_text64(statement, place, words->data(), words->size(), SQLITE_TRANSIENT,
                                   SQLITE_UTF8);
    }
    if (const auto* blob = std::get_if<Blob>(&value)) {
        return sqlite3_bind_blob64(statement, place, blob->bytes.data(), blob->bytes.size(),
                                   SQLITE_TRANSIENT);
    }
    return sqlite3_bind_null(statement, place);
}

/// A path as a file: URI; every byte that could mean something else is escaped.
std::string asUri(const std::string& path) {
    static constexpr char hex[] = "0123456789ABCDEF";
    std::string uri = "file:";
    for (const char c : path) {
        const auto byte = static_cast<unsigned char>(c);
        if (c == '%' || c == '?' || c == '#') {
            uri += {'%', hex[byte >> 4], hex[byte & 15]};
        } else {
            uri += c;
        }
    }
    return uri + "?immutable=1";
}

int flags(Mode mode) {
    switch (mode) {
        case Mode::Reading:
            return SQLITE_OPEN_READONLY;
        case Mode::Immutable:
            return SQLITE_OPEN_READONLY | SQLITE_OPEN_URI;
        case Mode::ReadingMendsJournal:
        case Mode::Writing:
            return SQLITE_OPEN_READWRITE;
        case Mode::Creating:
            break;
    }
    return SQLITE_OPEN_READWRITE | SQLITE_OPEN_CREATE;
}

}  // namespace

std::int64_t Row::integer(int column) const { return sqlite3_column_int64(m_statement, column); }
std::optional<std::int64_t> Row::integerOrNull(int column) const {
    if (sqlite3_column_type(m_statement, column) == SQLITE_NULL) return {};
    return integer(column);
}
double Row::real(int column) const { return sqlite3_column_double(m_statement, column); }
std::string Row::text(int column) const {
    const auto* bytes = reinterpret_cast<const char*>(sqlite3_column_text(m_statement, column));
    if (!bytes) return {};
    return {bytes, static_cast<std::size_t>(sqlite3_column_bytes(m_statement, column))};
}

std::string Row::bytes(int column) const {
    const auto* bytes = static_cast<const char*>(sqlite3_column_blob(m_statement, column));
    if (!bytes) return {};
    return {bytes, static_cast<std::size_t>(sqlite3_column_bytes(m_statement, column))};
}

Result<Database> Database::opened(const std::string& path, Mode mode) {
    sqlite3* handle = nullptr;
    const std::string name = mode == Mode::Immutable ? asUri(path) : path;
    // Not shared between threads: a workshop belongs to the thread that opened it.
    const int code =
        sqlite3_open_v2(name.c_str(), &handle, flags(mode) | SQLITE_OPEN_NOMUTEX, nullptr);
    Database database(handle);
    if (code != SQLITE_OK) return tl::unexpected(database.failure());
    sqlite3_extended_result_codes(handle, 1);
    sqlite3_busy_timeout(handle, busyMilliseconds);
    // A damaged or hostile schema must not run anything of its own.
    sqlite3_db_config(handle, SQLITE_DBCONFIG_DEFENSIVE, 1, nullptr);
    sqlite3_db_config(handle, SQLITE_DBCONFIG_TRUSTED_SCHEMA, 0, nullptr);
    if (mode == Mode::ReadingMendsJournal) {
        // Touching the file is what rolls back.
        if (const auto probed = database.integer("SELECT count(*) FROM sqlite_schema"); !probed) {
            return tl::unexpected(probed.error());
        }
        if (const auto only = database.run("PRAGMA query_only = 1"); !only) {
            return tl::unexpected(only.error());
        }
    }
    return database;
}

Database::Database(Database&& other) noexcept : m_handle(std::exchange(other.m_handle, nullptr)) {}
Database& Database::operator=(Database&& other) noexcept {
    std::swap(m_handle, other.m_handle);
    return *this;
}
Database::~Database() { sqlite3_close_v2(m_handle); }

Failure Database::failure() const {
    if (!m_handle) return {SQLITE_NOMEM, SQLITE_NOMEM, sqlite3_errstr(SQLITE_NOMEM)};
    const int extended = sqlite3_extended_errcode(m_handle);
    return {extended & 0xff, extended, sqlite3_errmsg(m_handle)};
}

Result<void> Database::rows(const char* text, std::initializer_list<Value> values,
                            const std::function<void(const Row&)>& take) {
    sqlite3_stmt* raw = nullptr;
    if (sqlite3_prepare_v2(m_handle, text, -1, &raw, nullptr) != SQLITE_OK) {
        return tl::unexpected(failure());
    }
    const Statement statement(raw);
    int place = 0;
    for (const Value& value : values) {
        if (bound(raw, ++place, value) != SQLITE_OK) return tl::unexpected(failure());
    }
    for (;;) {
        const int step = sqlite3_step(raw);
        if (step == SQLITE_DONE) return {};
        if (step != SQLITE_ROW) return tl::unexpected(failure());
        take(Row(raw));
    }
}

Result<void> Database::run(const char* text, std::initializer_list<Value> values) {
    return rows(text, values, [](const Row&) {});
}

Result<std::optional<std::int64_t>> Database::integer(const char* sql,
                                                      std::initializer_list<Value> values) {
    std::optional<std::int64_t> found;
    bool first = true;
    return rows(sql, values,
                [&](const Row& row) {
                    if (std::exchange(first, false)) found = row.integerOrNull(0);
                })
        .map([&] { return found; });
}

Result<std::optional<std::string>> Database::text(const char* sql,
                                                  std::initializer_list<Value> values) {
    std::optional<std::string> found;
    return rows(sql, values,
                [&](const Row& row) {
                    if (!found) found = row.text(0);
                })
        .map([&] { return found; });
}

std::int64_t Database::lastInsertId() const { return sqlite3_last_insert_rowid(m_handle); }

Result<void> Database::define(const char* name, std::int64_t (*function)(std::string_view)) {
    const auto called = [](sqlite3_context* context, int, sqlite3_value** values) {
        const auto* words = reinterpret_cast<const char*>(sqlite3_value_text(values[0]));
        const auto length = static_cast<std::size_t>(sqlite3_value_bytes(values[0]));
        const auto* known =
            static_cast<std::int64_t (**)(std::string_view)>(sqlite3_user_data(context));
        sqlite3_result_int64(context, (*known)(words ? std::string_view(words, length) : ""));
    };
    using Kept = std::int64_t (*)(std::string_view);
    const int code = sqlite3_create_function_v2(
        m_handle, name, 1, SQLITE_UTF8 | SQLITE_DETERMINISTIC, new Kept(function), called, nullptr,
        nullptr, [](void* kept) { delete static_cast<Kept*>(kept); });
    if (code != SQLITE_OK) return tl::unexpected(failure());
    return {};
}

void Database::rollBack() noexcept {
    // SQLite has rolled back by itself after some errors; then there is nothing left to do.
    if (!sqlite3_get_autocommit(m_handle)) {
        sqlite3_exec(m_handle, "ROLLBACK", nullptr, nullptr, nullptr);
    }
}

}  // namespace glimmet::store::sql
