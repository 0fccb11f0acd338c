// Workshop files as older Glimmets left them, and looks into a file past the store.
#pragma once

#include "store/documents.h"
#include "store/job_json.h"
#include "store/schema.h"
#include "store/sql.h"
#include "store/workshop.h"
#include "store/workshop_file.h"
#include "support/sample_jobs.h"

#include <QDateTime>
#include <QFile>

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <sys/wait.h>
#include <unistd.h>

#include <csignal>
#include <fstream>
#include <string>
#include <vector>

namespace glimmet::tests {

/// A workshop that can be opened; nullptr, and the test has failed, where it cannot.
inline std::unique_ptr<store::Workshop> opened(const QString& path,
                                               store::Access access = store::Access::ReadWrite) {
    auto workshop = store::Workshop::open(path, access);
    EXPECT_TRUE(workshop.has_value()) << (workshop ? "" : core::plain(workshop.error().what));
    return workshop ? std::move(*workshop) : nullptr;
}

inline store::sql::Database past(const QString& path) {
    auto database =
        store::sql::Database::opened(store::systemPath(path), store::sql::Mode::Creating);
    EXPECT_TRUE(database.has_value());
    return std::move(*database);
}
/// Runs SQL on a file past the workshop, as an older Glimmet or an accident would have.
inline void runSql(const QString& path, const std::vector<std::string>& statements) {
    auto database = past(path);
    for (const std::string& sql : statements) {
        const auto done = database.run(sql.c_str());
        ASSERT_TRUE(done.has_value()) << sql << ": " << done.error().words;
    }
}
inline std::string pragma(const QString& path, const std::string& name) {
    return past(path).text(("PRAGMA " + name).c_str())->value_or("none");
}
inline std::int64_t number(const QString& path, const char* sql) {
    return past(path).integer(sql)->value_or(-1);
}

/// The shunter in format 1, "name …" or "note …" on top.
inline std::string olderJob(const std::string& line) {
    std::ifstream file(TESTS_FOLDER "/samples/format1/shunter.json");
    auto job = nlohmann::json::parse(file);
    if (line.starts_with("name "))
        job["name"] = line.substr(5);
    else if (line.starts_with("note "))
        job["notes"].push_back({{"words", line.substr(5)}});
    return job.dump();
}

/// The n-th moment of an older workshop, a minute after the one before.
inline QDateTime olderMoment(int n) {
    return QDateTime(QDate(2026, 3, 31), QTime(18, 0), Qt::UTC).addSecs(60 * n);
}
inline QString olderStamp(int n) { return olderMoment(n).toString(Qt::ISODateWithMs); }

/// A workshop of schema 1, 2 or 3: job 1 with three revisions, of which the last is undone, and
/// job 2. With a log: everything but the tables stands in the log only, and the writer was killed;
/// `last` is run there too.
inline void makeOlderWorkshop(const QString& path, int schema, bool log = false,
                              const std::vector<std::string>& last = {}) {
    if (schema == 3) {  // in tables of today, its revisions as they were written then
        makeOlderWorkshop(path, 2);
        (void)opened(path);
        runSql(path, {"PRAGMA user_version = 3"});
        QFile::remove(path + QStringLiteral(".schema2"));
        return;
    }
    const auto fill = [&] {
        auto database = past(path);
        const auto run = [&](const std::string& sql,
                             std::initializer_list<store::sql::Value> values = {}) {
            const auto done = database.run(sql.c_str(), values);
            ASSERT_TRUE(done.has_value()) << sql << ": " << done.error().words;
        };
        for (const char* table : store::olderTables()) {
            if (schema == 1 &&
                std::string_view(table).find("job_words") != std::string_view::npos) {
                continue;
            }
            run(table);
        }
        run("PRAGMA user_version = " + std::to_string(schema));
        run("PRAGMA application_id = " + std::to_string(store::applicationId));
        if (log) {
            run("PRAGMA journal_mode = WAL");
            run("PRAGMA wal_autocheckpoint = 0");
        }
        using store::sql::Null;
        struct Past {
            std::int64_t job;
            store::sql::Value parent;
            const char* what;
            const char* line;
        };
        const Past steps[] = {{1, Null(), "New job", "note arrived"},
                              {1, std::int64_t{1}, "Note", "note cleaned"},
                              {1, std::int64_t{2}, "Name: Later", "name Later"},
                              {2, Null(), "New job", "name Second"}};
        run("BEGIN");
        int moment = 0;
        for (const Past& step : steps) {
            const std::int64_t revision = ++moment;
            const std::string content = olderJob(step.line);
            const core::Job job = *store::jobFromJson(content);
            const std::string at = olderStamp(moment).toStdString();
            const std::string what = store::textColumn(core::text(step.what));
            const bool fresh = std::holds_alternative<Null>(step.parent);
            if (fresh) {
                const std::string bodies = store::bodiesOf(job);
                run("INSERT INTO job(id, name, kind, ratio) VALUES (?,?,?,?)",
                    {step.job, std::string_view(job.name), std::string_view(bodies),
                     job.scale.ratio});
                if (schema == 2) {
                    const std::string words = store::searchWords(job);
                    run("INSERT INTO job_words(rowid, words) VALUES (?,?)",
                        {step.job, std::string_view(words)});
                }
            }
            run("INSERT INTO revision VALUES (?,?,?,?,?,?)",
                {revision, step.job, step.parent, std::string_view(at), std::string_view(what),
                 std::string_view(content)});
            run("UPDATE job SET head = ?1, tip = ?1 WHERE id = ?2", {revision, step.job});
            run("INSERT INTO head_log VALUES (?,?,?)", {step.job, std::string_view(at), revision});
            if (revision == 3) {  // the last step of job 1 was undone a minute later
                const std::string later = olderStamp(++moment).toStdString();
                run("UPDATE job SET head = 2 WHERE id = 1");
                run("INSERT INTO head_log VALUES (1, ?, 2)", {std::string_view(later)});
            }
        }
        run("COMMIT");
        for (const std::string& sql : last) run(sql);
        if (log) {  // closing would take the log in
            ::kill(::getpid(), SIGKILL);
        }
    };
    if (!log) {
        fill();
        return;
    }
    const pid_t child = fork();
    if (child == 0) {
        fill();
        _exit(1);
    }
    int status = 0;
    waitpid(child, &status, 0);
    ASSERT_TRUE(WIFSIGNALED(status));
}

}  // namespace glimmet::tests
