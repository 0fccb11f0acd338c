// SQLite as values: a database, rows, and every result checked. (Not Qt SQL: what went wrong must
// be told by SQLite's own code, a lock apart from damage, and a loop that ends early because a page
// is broken must not look like one that came to its end.)
#pragma once

#include <tl/expected.hpp>

#include <cstdint>
#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <variant>

struct sqlite3;
struct sqlite3_stmt;

namespace glimmet::store::sql {

struct Failure {
    int code = 0;       ///< SQLite's primary result code
    int extended = 0;   ///< and its extended one
    std::string words;  ///< SQLite's own message
};
template <class T>
using Result = tl::expected<T, Failure>;

using Null = std::monostate;
/// Bytes as they are, apart from words.
struct Blob {
    std::string_view bytes;
};
using Value = std::variant<Null, std::int64_t, double, std::string_view, Blob>;
[[nodiscard]] inline Value orNull(std::optional<std::int64_t> number) {
    return number ? Value(*number) : Value(Null());
}

/// The row that a statement stands on. Good until the statement moves on.
class Row {
public:
    explicit Row(sqlite3_stmt* statement) : m_statement(statement) {}
    [[nodiscard]] std::int64_t integer(int column) const;
    [[nodiscard]] std::optional<std::int64_t> integerOrNull(int column) const;
    [[nodiscard]] double real(int column) const;
    [[nodiscard]] std::string text(int column) const;
    [[nodiscard]] std::string bytes(int column) const;

private:
    sqlite3_stmt* m_statement;
};

enum class Mode { Reading, ReadingMendsJournal, Writing, Creating, Immutable };

class Database {
public:
    /// ReadingMendsJournal opens for writing and then asks only: what a killed program left in the
    /// middle is rolled back, which a plain reader may not do. Immutable reads a file of which the
    /// caller knows that nobody writes it, without locks or files beside it.
    [[nodiscard]] static Result<Database> opened(const std::string& path, Mode mode);
    Database() = default;
    Database(Database&& other) noexcept;
    Database& operator=(Database&& other) noexcept;
    ~Database();

    /// Runs one statement; its rows are handed over one by one and then let go of.
    [[nodiscard]] Result<void> rows(const char* sql, std::initializer_list<Value> values,
                                    const std::function<void(const Row&)>& take);
    [[nodiscard]] Result<void> run(const char* sql, std::initializer_list<Value> values = {});
    /// The first column of the first row, if there is a row and it is not NULL.
    [[nodiscard]] Result<std::optional<std::int64_t>> integer(
        const char* sql, std::initializer_list<Value> values = {});
    [[nodiscard]] Result<std::optional<std::string>> text(const char* sql,
                                                          std::initializer_list<Value> values = {});
    [[nodiscard]] std::int64_t lastInsertId() const;
    /// Makes a function of one text known to SQL.
    [[nodiscard]] Result<void> define(const char* name, std::int64_t (*function)(std::string_view));

    /// BEGIN IMMEDIATE, `work`, COMMIT; whatever goes wrong in between rolls back. `work` returns a
    /// tl::expected; `failed` turns a Failure of SQLite's into its error.
    template <class Work, class Failed>
    [[nodiscard]] auto transaction(Work work, Failed failed) -> decltype(work());

private:
    explicit Database(sqlite3* handle) : m_handle(handle) {}
    [[nodiscard]] Failure failure() const;
    void rollBack() noexcept;
    sqlite3* m_handle = nullptr;
};

template <class Work, class Failed>
auto Database::transaction(Work work, Failed failed) -> decltype(work()) {
    if (const auto begun = run("BEGIN IMMEDIATE"); !begun) {
        return tl::unexpected(failed(begun.error()));
    }
    auto result = work();
    if (!result) {
        rollBack();
        return result;
    }
    if (const auto committed = run("COMMIT"); !committed) {
        rollBack();
        return tl::unexpected(failed(committed.error()));
    }
    return result;
}

}  // namespace glimmet::store::sql
