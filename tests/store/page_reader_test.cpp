#include "store/page_reader.h"

#include "support/older_workshop.h"
#include "support/scratch.h"

#include <gtest/gtest.h>

#include <map>
#include <random>

namespace glimmet::store {
namespace {

using tests::Scratch;

std::span<const std::byte> bytesOf(const QByteArray& file) {
    return std::as_bytes(std::span(file.constData(), static_cast<std::size_t>(file.size())));
}

// The same rows by SQLite and by pages: every type, every size around the limits of a page.
TEST(PageReader, FindsEveryRowThatSqliteWrote) {
    for (const int size : {512, 1024, 4096, 65536}) {
        const Scratch scratch;
        const QString path = scratch.file("a.db");
        std::map<std::int64_t, std::vector<RawValue>> written;
        {
            auto database = tests::past(path);
            ASSERT_TRUE(
                database.run(("PRAGMA page_size = " + std::to_string(size)).c_str()).has_value());
            ASSERT_TRUE(
                database.run("CREATE TABLE t(id INTEGER PRIMARY KEY, a, b, c, d)").has_value());
            std::mt19937 random(7);
            const std::int64_t numbers[] = {0,
                                            1,
                                            -1,
                                            127,
                                            -128,
                                            128,
                                            32767,
                                            -32769,
                                            8388608,
                                            -8388609,
                                            2147483647,
                                            -2147483649,
                                            140737488355327,
                                            -140737488355329,
                                            INT64_MAX,
                                            INT64_MIN};
            std::int64_t id = -3;
            for (int i = 0; i < 200; ++i) {
                id += 1 + static_cast<std::int64_t>(random() % (i % 50 == 0 ? 1U << 30 : 3U));
                const std::string words(random() % (i % 7 == 0 ? 9000 : 400), 'x');
                const std::int64_t number = numbers[random() % std::size(numbers)];
                const double real = std::ldexp(static_cast<double>(random()), -20) + 0.1;
                ASSERT_TRUE(database
                                .run(i % 3 == 0 ? "INSERT INTO t VALUES (?,?,?,?,coalesce(?,x''))"
                                                : "INSERT INTO t VALUES (?,?,?,?,?)",
                                     {id, number, std::string_view(words), real, sql::Null()})
                                .has_value());
                written[id] = {std::monostate(), number, words, real, std::monostate()};
                if (i % 3 == 0) written[id][4] = std::string();  // bytes, of which there are none
            }
        }
        std::map<std::int64_t, std::vector<RawValue>> found;
        const QByteArray file = Scratch::contents(path);
        const auto shape = saidShape(bytesOf(file));
        ASSERT_EQ(shape, (PageShape{static_cast<std::size_t>(size), 0}));
        eachRow(bytesOf(file), *shape, [&](RawRow row) {
            if (row.values.size() == 5 && std::holds_alternative<std::monostate>(row.values[0])) {
                EXPECT_TRUE(found.emplace(row.id, std::move(row.values)).second);
            }
        });
        EXPECT_EQ(found, written) << size;
    }
}
TEST(PageReader, LeavesOutPagesThatAreFree) {
    const Scratch scratch;
    const QString path = scratch.file("a.db");
    {
        auto database = tests::past(path);
        for (const char* table : {"CREATE TABLE t(id INTEGER PRIMARY KEY, a)",
                                  "CREATE TABLE gone(id INTEGER PRIMARY KEY, a)"}) {
            ASSERT_TRUE(database.run(table).has_value());
        }
        const std::string words(1000, 'x');
        ASSERT_TRUE(database.run("PRAGMA secure_delete = OFF").has_value());
        ASSERT_TRUE(database.run("BEGIN").has_value());
        for (std::int64_t id = 1; id <= 300; ++id) {
            for (const char* put :
                 {"INSERT INTO t VALUES (?,?)", "INSERT INTO gone VALUES (?,?)"}) {
                ASSERT_TRUE(database.run(put, {id, std::string_view(words)}).has_value());
            }
        }
        ASSERT_TRUE(database.run("COMMIT").has_value());
        ASSERT_TRUE(database.run("DROP TABLE gone").has_value());
    }  // trunk pages are written over; the pages they list keep their rows
    std::size_t found = 0;
    const QByteArray file = Scratch::contents(path);
    const auto count = [&](const RawRow& row) {
        if (row.values.size() == 2) ++found;
    };
    eachRow(bytesOf(file), {}, count);
    EXPECT_EQ(found, 300U);
    // A list that is not as long as the header says may name pages in use: it is not followed.
    QByteArray damaged = file;
    damaged[39] = static_cast<char>(damaged[39] + 1);
    found = 0;
    eachRow(bytesOf(damaged), {}, count);
    EXPECT_GT(found, 300U);
}
// Whatever the bytes say: it ends, and reads nothing that is not there (the sanitizers watch).
TEST(PageReader, EndsOnAnyBytes) {
    std::mt19937 random(3);
    const Scratch scratch;
    const QString path = scratch.file("a.glimmet");
    tests::makeOlderWorkshop(path, 2);
    const QByteArray whole = Scratch::contents(path);
    const auto below = [&](qsizetype bound) {
        return static_cast<qsizetype>(random() % static_cast<std::mt19937::result_type>(bound));
    };
    std::size_t rows = 0;
    for (int turn = 0; turn < 500; ++turn) {
        QByteArray file = whole;
        for (qsizetype changes = 1 + below(40); changes > 0; --changes) {
            file[below(file.size())] = static_cast<char>(random());
        }
        if (turn % 3 == 0) file.truncate(below(30000));
        eachRow(bytesOf(file), saidShape(bytesOf(file)).value_or(PageShape()),
                [&](const RawRow&) { ++rows; });
    }
    EXPECT_GT(rows, 500U * 10);
    EXPECT_FALSE(saidShape({}).has_value());
    eachRow({}, {}, [](const RawRow&) { FAIL(); });
}

}  // namespace
}  // namespace glimmet::store
