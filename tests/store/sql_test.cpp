#include "store/sql.h"

#include "support/older_workshop.h"
#include "support/scratch.h"

#include <gtest/gtest.h>
#include <sqlite3.h>

namespace glimmet::store {
namespace {

using tests::Scratch;

TEST(Sql, GivesTheFirstValueOfTheFirstRow) {
    const Scratch scratch;
    auto database = tests::past(scratch.file("a.db"));
    EXPECT_EQ(**database.integer("SELECT 1 UNION ALL SELECT 2"), 1);
    EXPECT_EQ(*database.integer("SELECT NULL UNION ALL SELECT 2"), std::nullopt);
    EXPECT_EQ(*database.integer("SELECT 1 WHERE 0"), std::nullopt);
    EXPECT_EQ(**database.text("SELECT 'a' UNION ALL SELECT 'b'"), "a");
    EXPECT_EQ(**database.text("SELECT ?", {std::string_view("a\0b", 3)}), std::string("a\0b", 3));
}
TEST(Sql, TellsWhatWentWrongByItsCode) {
    const Scratch scratch;
    auto database = tests::past(scratch.file("a.db"));
    EXPECT_EQ(database.run("NONSENSE").error().code, SQLITE_ERROR);
    ASSERT_TRUE(database.run("CREATE TABLE t(x UNIQUE)").has_value());
    ASSERT_TRUE(database.run("INSERT INTO t VALUES (1)").has_value());
    const auto twice = database.run("INSERT INTO t VALUES (1)");
    EXPECT_EQ(twice.error().code, SQLITE_CONSTRAINT);
    EXPECT_EQ(twice.error().extended, SQLITE_CONSTRAINT_UNIQUE);
    EXPECT_NE(twice.error().words.find("UNIQUE"), std::string::npos);
    // One that fails in the middle of its rows has not come to its end.
    int rows = 0;
    const auto broken = database.rows(
        "SELECT abs(x) FROM (SELECT 1 AS x UNION ALL SELECT "
        "-9223372036854775808)",
        {}, [&](const sql::Row&) { ++rows; });
    EXPECT_FALSE(broken.has_value());
    EXPECT_EQ(rows, 1);
}
TEST(Sql, ATransactionIsAllOrNothing) {
    const Scratch scratch;
    auto database = tests::past(scratch.file("a.db"));
    ASSERT_TRUE(database.run("CREATE TABLE t(x)").has_value());
    const auto told = [](const sql::Failure& failed) { return failed; };
    const auto failing = database.transaction(
        [&]() -> sql::Result<void> {
            (void)database.run("INSERT INTO t VALUES (1)");
            return tl::unexpected(sql::Failure{1, 1, "enough"});
        },
        told);
    EXPECT_EQ(failing.error().words, "enough");
    EXPECT_EQ(**database.integer("SELECT count(*) FROM t"), 0);
    ASSERT_TRUE(database.transaction([&] { return database.run("INSERT INTO t VALUES (1)"); }, told)
                    .has_value());
    EXPECT_EQ(**database.integer("SELECT count(*) FROM t"), 1);
}
TEST(Sql, ReadersChangeNothing) {
    const Scratch scratch;
    const QString path = scratch.file("50%41?mode=memory#1.db");  // no part of it says anything
    ASSERT_TRUE(tests::past(path).run("CREATE TABLE t(x)").has_value());
    for (const auto mode :
         {sql::Mode::Reading, sql::Mode::ReadingMendsJournal, sql::Mode::Immutable}) {
        auto database = *sql::Database::opened(systemPath(path), mode);
        EXPECT_FALSE(database.run("INSERT INTO t VALUES (1)").has_value());
        EXPECT_EQ(**database.integer("SELECT count(*) FROM t"), 0);
    }
    EXPECT_FALSE(
        sql::Database::opened(systemPath(scratch.file("none.db")), sql::Mode::Writing).has_value());
    EXPECT_FALSE(QFile::exists(scratch.file("none.db")));
}

}  // namespace
}  // namespace glimmet::store
