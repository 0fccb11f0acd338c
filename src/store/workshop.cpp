#include "store/workshop.h"

#include "store/job_json.h"
#include "store/schema.h"

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QLockFile>
#include <QSqlDatabase>
#include <QSqlError>
#include <QSqlQuery>
#include <QUuid>
#include <QVariant>
#include <QtEndian>

#include <nlohmann/json.hpp>

#include <optional>

namespace glimmet::store {
namespace {

using core::ErrorCode;
using core::failure;
using core::Job;
using core::Result;
using core::Text;
using core::text;

std::string shortName(const QString& path) { return QFileInfo(path).fileName().toStdString(); }

tl::unexpected<core::Error> sqlFailure(const QString& path, const QSqlError& error) {
    return failure(ErrorCode::Unreadable, path.toStdString(),
                   text("%1 could not be read or written: %2.", shortName(path),
                        error.text().trimmed().toStdString()));
}

/// Rolls back unless committed.
class Transaction {
public:
    explicit Transaction(QSqlDatabase& database) : m_database(database) {
        m_open = m_database.transaction();
    }
    ~Transaction() {
        if (m_open) m_database.rollback();
    }
    Transaction(const Transaction&) = delete;
    Transaction& operator=(const Transaction&) = delete;
    [[nodiscard]] bool commit() {
        if (!m_open || !m_database.commit()) return false;
        m_open = false;
        return true;
    }

private:
    QSqlDatabase& m_database;
    bool m_open = false;
};

/// Sentences are kept as data, so that an old edit is named in the language of the day.
nlohmann::json textOut(const Text& said) {
    if (said.verbatim) return said.pattern;
    nlohmann::json values = nlohmann::json::array();
    for (const Text& value : said.values) values.push_back(textOut(value));
    return {{"text", said.pattern}, {"values", values}};
}

Text textIn(const nlohmann::json& value, int depth = 0) {
    if (value.is_string()) return core::verbatim(value.get<std::string>());
    Text said;
    if (!value.is_object() || depth > 8) return said;
    if (value.contains("text") && value["text"].is_string()) said.pattern = value["text"];
    if (value.contains("values") && value["values"].is_array()) {
        for (const auto& one : value["values"]) said.values.push_back(textIn(one, depth + 1));
    }
    return said;
}

QString textColumn(const Text& said) {
    return QString::fromStdString(
        textOut(said).dump(-1, ' ', false, nlohmann::json::error_handler_t::replace));
}

Text textOfColumn(const QString& column) {
    const auto value = nlohmann::json::parse(column.toStdString(), nullptr, false);
    return value.is_discarded() ? core::verbatim(column.toStdString()) : textIn(value);
}

QString utf8(const std::string& words) { return QString::fromStdString(words); }

/// What the search finds a job by.
QString searchWords(const Job& job) {
    std::string words = job.name + "\n" + job.owner + "\n" + job.wish + "\n" + job.scale.name +
                        "\n" + std::string(core::name(job.body.kind));
    for (const core::Note& note : job.notes) words += "\n" + note.words;
    for (const core::Circuit& circuit : job.circuits) {
        words += "\n" + circuit.name;
        for (const core::LampRow& row : circuit.rows) {
            for (const core::Lamp& lamp : row.lamps) words += " " + lamp.part.name;
        }
    }
    if (job.decoder) words += "\n" + job.decoder->name;
    return utf8(words);
}

QString now() { return QDateTime::currentDateTimeUtc().toString(Qt::ISODateWithMs); }

struct Header {
    bool sqlite = false;
    quint32 userVersion = 0;
    quint32 application = 0;
};

/// Read from the bytes themselves (SQLite file format, offsets 60 and 68), so that a file which
/// turns out not to be ours has not been opened by SQLite, let alone written.
std::optional<Header> headerOf(const QString& path) {
    QFile file(path);
    if (!file.open(QIODevice::ReadOnly)) return {};
    const QByteArray bytes = file.read(100);
    Header header;
    if (bytes.size() < 100 || !bytes.startsWith(QByteArray("SQLite format 3\0", 16))) return header;
    header.sqlite = true;
    header.userVersion = qFromBigEndian<quint32>(bytes.constData() + 60);
    header.application = qFromBigEndian<quint32>(bytes.constData() + 68);
    return header;
}

/// A query that remembers whether preparing and running it went well.
struct Query {
    QSqlQuery query;
    bool good = false;
    Query(const QSqlDatabase& database, const QString& sql, const QVariantList& values = {})
        : query(database) {
        query.setForwardOnly(true);
        good = query.prepare(sql);
        for (const QVariant& value : values) query.addBindValue(value);
        good = good && query.exec();
    }
    bool next() { return good && query.next(); }
    [[nodiscard]] QVariant value(int column) const { return query.value(column); }
};

}  // namespace

struct Workshop::Connection {
    QString name = QUuid::createUuid().toString();
    QString path;
    bool readOnly = false;
    bool indexed = true;  ///< has the full-text index of schema 2
    std::unique_ptr<QLockFile> lock;
    QSqlDatabase database;

    Connection() = default;
    Connection(const Connection&) = delete;
    Connection& operator=(const Connection&) = delete;
    ~Connection() { close(); }

    void close() {
        database.close();
        database = QSqlDatabase();
        QSqlDatabase::removeDatabase(name);
    }
    bool open(bool reading) {
        database = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), name);
        database.setDatabaseName(path);
        QString options = QStringLiteral("QSQLITE_BUSY_TIMEOUT=3000");
        if (reading) options += QStringLiteral(";QSQLITE_OPEN_READONLY");
        database.setConnectOptions(options);
        return database.open();
    }
    [[nodiscard]] auto failed(const Query& query) const {
        return sqlFailure(path, query.query.lastError());
    }
    [[nodiscard]] auto failed() const { return sqlFailure(path, database.lastError()); }
    bool run(const QString& sql) { return Query(database, sql).good; }

    Result<void> migrate(int from);
    Result<void> reindex();
    Result<void> writable() const {
        if (!readOnly) return {};
        return failure(
            ErrorCode::InUse, path.toStdString(),
            text("%1 is open read-only: nothing can be changed in it.", shortName(path)));
    }
    Result<RevisionId> insertRevision(JobId job, std::optional<RevisionId> parent,
                                      const Job& document, const Text& what);
    Result<void> setHead(JobId job, RevisionId head, std::optional<RevisionId> tip,
                         const Job& document);
    Result<JobId> insertJob(const Job& job, const Text& what);
};

Result<void> Workshop::Connection::migrate(int from) {
    Transaction transaction(database);
    for (int step = from; step < schemaVersion(); ++step) {
        for (const QString& sql : migrations().at(step)) {
            const Query query(database, sql);
            if (!query.good) return failed(query);
        }
    }
    const QString pragmas[] = {QStringLiteral("PRAGMA user_version = %1").arg(schemaVersion()),
                               QStringLiteral("PRAGMA application_id = %1").arg(applicationId)};
    for (const QString& sql : pragmas) {
        const Query query(database, sql);
        if (!query.good) return failed(query);
    }
    if (!transaction.commit()) return failed();
    return {};
}

/// Schema 2 brought the search; older jobs are taken into it word by word.
Result<void> Workshop::Connection::reindex() {
    std::vector<std::pair<JobId, QString>> words;
    Query all(database, QStringLiteral("SELECT job.id, revision.document FROM job JOIN revision ON "
                                       "revision.id = job.head"));
    if (!all.good) return failed(all);
    while (all.next()) {
        const auto job = jobFromJson(all.value(1).toString().toStdString());
        if (job) words.emplace_back(all.value(0).toLongLong(), searchWords(*job));
    }
    Transaction transaction(database);
    for (const auto& [id, text] : words) {
        const Query update(database,
                           QStringLiteral("UPDATE job_words SET words = ? WHERE rowid = ?"),
                           {text, QVariant::fromValue(id)});
        if (!update.good) return failed(update);
    }
    if (!transaction.commit()) return failed();
    return {};
}

int schemaVersion() { return static_cast<int>(migrations().size()); }

Workshop::Workshop(std::unique_ptr<Connection> connection) : m_connection(std::move(connection)) {}
Workshop::~Workshop() = default;
QString Workshop::path() const { return m_connection->path; }
bool Workshop::readOnly() const { return m_connection->readOnly; }

Result<void> examined(const QString& path) {
    const auto header = headerOf(path);
    if (!header || !header->sqlite || header->application != applicationId) {
        return {};  // no workshop at all: open() says what it is
    }
    const QString name = QUuid::createUuid().toString();
    bool opened = false;
    bool sound = false;
    {
        // With a reading connection: closing a writing one would write to the file.
        QSqlDatabase database = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), name);
        database.setDatabaseName(path);
        database.setConnectOptions(QStringLiteral("QSQLITE_OPEN_READONLY"));
        opened = database.open();
        if (opened) {
            Query check(database, QStringLiteral("PRAGMA quick_check(1)"));
            sound = check.next() && check.value(0).toString() == u"ok";
        }
    }
    QSqlDatabase::removeDatabase(name);
    const std::string called = shortName(path);
    if (!opened) {
        return failure(ErrorCode::Unreadable, path.toStdString(),
                       text("%1 cannot be read.", called));
    }
    if (sound) return {};
    return failure(ErrorCode::Damaged, path.toStdString(),
                   text("%1 is damaged. It has not been touched; what can be read of it can be "
                        "salvaged into a new file.",
                        called));
}

Result<std::unique_ptr<Workshop>> Workshop::open(const QString& path, Access access,
                                                 Soundness soundness) {
    auto connection = std::make_unique<Connection>();
    connection->path = QFileInfo(path).absoluteFilePath();
    connection->readOnly = access == Access::ReadOnly;
    const std::string called = shortName(path);
    const std::string whole = connection->path.toStdString();
    const QFileInfo file(connection->path);
    const bool fresh = !file.exists() && access == Access::ReadWrite;
    int version = 0;

    if (!fresh) {
        const auto header = headerOf(connection->path);
        if (!file.exists()) {
            return failure(ErrorCode::Unreadable, whole, text("There is no file %1.", called));
        }
        if (!file.isFile() || !header) {
            return failure(ErrorCode::Unreadable, whole, text("%1 cannot be read.", called));
        }
        if (!header->sqlite || header->application != applicationId) {
            return failure(
                ErrorCode::NotUnderstood, whole,
                text("%1 is no Glimmet workshop. A job in JSON can be imported instead.", called));
        }
        version = static_cast<int>(header->userVersion);
        if (version > schemaVersion()) {
            return failure(
                ErrorCode::TooNew, whole,
                text("%1 was written by a later Glimmet (schema %2; this one reads up to "
                     "%3). It has not been touched.",
                     called, std::to_string(version), std::to_string(schemaVersion())));
        }
    }
    if (access == Access::ReadWrite) {
        connection->lock = std::make_unique<QLockFile>(connection->path + QStringLiteral(".lock"));
        connection->lock->setStaleLockTime(0);  // only a dead owner makes a lock stale
        if (!connection->lock->tryLock(0)) {
            if (connection->lock->error() == QLockFile::LockFailedError) {
                return failure(
                    ErrorCode::InUse, whole,
                    text("Another Glimmet has %1 open. It can be looked at read-only.", called));
            }
            return failure(ErrorCode::Unreadable, whole,
                           text("No file can be written in the folder of %1.", called));
        }
    }
    if (!fresh && soundness == Soundness::ToBeChecked) {
        if (const auto sound = examined(connection->path); !sound) {
            return tl::unexpected(sound.error());
        }
    }
    if (access == Access::ReadOnly && !connection->open(true)) return connection->failed();
    if (access == Access::ReadWrite) {
        if (!fresh && version < schemaVersion()) {
            const QString copy = connection->path + QStringLiteral(".schema%1").arg(version);
            if (!QFile::exists(copy) && !QFile::copy(connection->path, copy)) {
                return failure(
                    ErrorCode::Unreadable, whole,
                    text("No copy of %1 could be made before bringing it forward.", called));
            }
        }
        if (!connection->open(false)) return connection->failed();
        if (version < schemaVersion()) {
            if (const auto moved = connection->migrate(version); !moved) {
                return tl::unexpected(moved.error());
            }
            if (const auto indexed = connection->reindex(); !indexed) {
                return tl::unexpected(indexed.error());
            }
        }
        connection->run(QStringLiteral("PRAGMA journal_mode = WAL"));
        // With WAL, NORMAL loses nothing to a killed program and cannot corrupt on power loss.
        connection->run(QStringLiteral("PRAGMA synchronous = NORMAL"));
    }
    connection->run(QStringLiteral("PRAGMA foreign_keys = ON"));
    connection->indexed = access == Access::ReadWrite || version >= 2;
    return std::unique_ptr<Workshop>(new Workshop(std::move(connection)));
}

Result<std::vector<JobEntry>> Workshop::jobs() const {
    Query query(
        m_connection->database,
        QStringLiteral("SELECT id, name, kind, ratio FROM job WHERE on_shelf = 1 ORDER BY id"));
    if (!query.good) return m_connection->failed(query);
    std::vector<JobEntry> entries;
    while (query.next()) {
        entries.push_back({query.value(0).toLongLong(), query.value(1).toString().toStdString(),
                           core::bodyKindNamed(query.value(2).toString().toStdString())
                               .value_or(core::BodyKind::DockShunter),
                           query.value(3).toDouble()});
    }
    return entries;
}

Result<std::vector<JobId>> Workshop::search(const std::string& words) const {
    // Each word becomes a quoted prefix; what the tokenizer would drop is dropped here too.
    QString match;
    QString current;
    const auto flush = [&] {
        if (!current.isEmpty()) match += QStringLiteral("\"%1\"* ").arg(current);
        current.clear();
    };
    for (const QChar c : utf8(words)) {
        if (c.isLetterOrNumber() || c.isMark())
            current += c;
        else
            flush();
    }
    flush();
    std::vector<JobId> found;
    // Signs and emoji are no words to the index, and an older file that is only read has none:
    // then names are looked through as they stand.
    const bool tokens = !match.isEmpty() && m_connection->indexed;
    Query query = tokens
                      ? Query(m_connection->database,
                              QStringLiteral("SELECT job_words.rowid FROM job_words JOIN job ON "
                                             "job.id = job_words.rowid WHERE job_words MATCH ? AND "
                                             "job.on_shelf = 1 ORDER BY job_words.rowid"),
                              {match})
                      : Query(m_connection->database,
                              QStringLiteral("SELECT id FROM job WHERE instr(name, ?) > 0 AND "
                                             "on_shelf = 1 ORDER BY id"),
                              {utf8(words).trimmed()});
    if (!query.good) return m_connection->failed(query);
    while (query.next()) found.push_back(query.value(0).toLongLong());
    return found;
}

Result<Job> Workshop::revision(RevisionId id) const {
    Query query(m_connection->database,
                QStringLiteral("SELECT document FROM revision WHERE id = ?"),
                {QVariant::fromValue(id)});
    if (!query.good) return m_connection->failed(query);
    if (!query.next()) {
        return failure(ErrorCode::Unknown, std::to_string(id), text("There is no such revision."));
    }
    return jobFromJson(query.value(0).toString().toStdString());
}

Result<Job> Workshop::job(JobId id) const {
    Query query(m_connection->database, QStringLiteral("SELECT head FROM job WHERE id = ?"),
                {QVariant::fromValue(id)});
    if (!query.good) return m_connection->failed(query);
    if (!query.next()) {
        return failure(ErrorCode::Unknown, std::to_string(id), text("There is no such job."));
    }
    return revision(query.value(0).toLongLong());
}

Result<Job> Workshop::jobAt(JobId id, const QDateTime& moment) const {
    Query query(m_connection->database,
                QStringLiteral("SELECT revision FROM head_log WHERE job = ? AND at <= ? "
                               "ORDER BY at DESC, rowid DESC LIMIT 1"),
                {QVariant::fromValue(id), moment.toUTC().toString(Qt::ISODateWithMs)});
    if (!query.good) return m_connection->failed(query);
    if (!query.next()) {
        return failure(ErrorCode::Unknown, std::to_string(id),
                       text("The job did not exist at that time."));
    }
    return revision(query.value(0).toLongLong());
}

Result<History> Workshop::history(JobId id, std::size_t most) const {
    Query query(
        m_connection->database,
        QStringLiteral("WITH RECURSIVE chain(id, parent, depth) AS ("
                       "  SELECT r.id, r.parent, 0 FROM revision r JOIN job j ON j.tip = r.id "
                       "  WHERE j.id = ? UNION ALL "
                       "  SELECT r.id, r.parent, depth + 1 FROM revision r JOIN chain ON "
                       "  r.id = chain.parent LIMIT ?) "
                       "SELECT chain.id, r.what, r.made_at, (SELECT head FROM job WHERE id = ?) "
                       "FROM chain JOIN revision r ON r.id = chain.id ORDER BY depth DESC"),
        {QVariant::fromValue(id), QVariant::fromValue(static_cast<qlonglong>(most)),
         QVariant::fromValue(id)});
    if (!query.good) return m_connection->failed(query);
    History history;
    while (query.next()) {
        if (query.value(0) == query.value(3)) history.head = history.steps.size();
        history.steps.push_back({query.value(0).toLongLong(),
                                 textOfColumn(query.value(1).toString()),
                                 query.value(2).toString()});
    }
    return history;
}

Result<RevisionId> Workshop::Connection::insertRevision(JobId job, std::optional<RevisionId> parent,
                                                        const Job& document, const Text& what) {
    const Query query(
        database,
        QStringLiteral(
            "INSERT INTO revision(job, parent, made_at, what, document) VALUES (?,?,?,?,?)"),
        {QVariant::fromValue(job), parent ? QVariant::fromValue(*parent) : QVariant(), now(),
         textColumn(what), utf8(jobToJson(document, -1))});
    if (!query.good) return failed(query);
    return query.query.lastInsertId().toLongLong();
}

Result<void> Workshop::Connection::setHead(JobId job, RevisionId head,
                                           std::optional<RevisionId> tip, const Job& document) {
    const Query update(database,
                       QStringLiteral("UPDATE job SET head = ?, tip = coalesce(?, tip), name = ?, "
                                      "kind = ?, ratio = ? WHERE id = ?"),
                       {QVariant::fromValue(head), tip ? QVariant::fromValue(*tip) : QVariant(),
                        utf8(document.name), utf8(std::string(core::name(document.body.kind))),
                        document.scale.ratio, QVariant::fromValue(job)});
    if (!update.good) return failed(update);
    const Query log(database,
                    QStringLiteral("INSERT INTO head_log(job, at, revision) VALUES (?,?,?)"),
                    {QVariant::fromValue(job), now(), QVariant::fromValue(head)});
    if (!log.good) return failed(log);
    const Query forget(database, QStringLiteral("DELETE FROM job_words WHERE rowid = ?"),
                       {QVariant::fromValue(job)});
    if (!forget.good) return failed(forget);
    const Query learn(database, QStringLiteral("INSERT INTO job_words(rowid, words) VALUES (?,?)"),
                      {QVariant::fromValue(job), searchWords(document)});
    if (!learn.good) return failed(learn);
    return {};
}

Result<JobId> Workshop::Connection::insertJob(const Job& job, const Text& what) {
    const Query query(
        database, QStringLiteral("INSERT INTO job(name, kind, ratio) VALUES (?,?,?)"),
        {utf8(job.name), utf8(std::string(core::name(job.body.kind))), job.scale.ratio});
    if (!query.good) return failed(query);
    const JobId id = query.query.lastInsertId().toLongLong();
    const auto first = insertRevision(id, {}, job, what);
    if (!first) return tl::unexpected(first.error());
    if (const auto set = setHead(id, *first, *first, job); !set) return tl::unexpected(set.error());
    return id;
}

Result<std::vector<JobId>> Workshop::add(const std::vector<Job>& jobs, const Text& what) {
    if (const auto may = m_connection->writable(); !may) return tl::unexpected(may.error());
    Transaction transaction(m_connection->database);
    std::vector<JobId> ids;
    for (const Job& job : jobs) {
        const auto id = m_connection->insertJob(job, what);
        if (!id) return tl::unexpected(id.error());
        ids.push_back(*id);
    }
    if (!transaction.commit()) return m_connection->failed();
    return ids;
}

Result<JobId> Workshop::add(const Job& job, const Text& what) {
    return add(std::vector<Job>{job}, what).map([](const auto& ids) { return ids.front(); });
}

Result<RevisionId> Workshop::record(JobId id, const Job& job, const Text& what) {
    if (const auto may = m_connection->writable(); !may) return tl::unexpected(may.error());
    Transaction transaction(m_connection->database);
    std::optional<RevisionId> parent;
    {
        Query query(m_connection->database, QStringLiteral("SELECT head FROM job WHERE id = ?"),
                    {QVariant::fromValue(id)});
        if (!query.good) return m_connection->failed(query);
        if (!query.next()) {
            return failure(ErrorCode::Unknown, std::to_string(id), text("There is no such job."));
        }
        parent = query.value(0).toLongLong();
    }
    const auto made = m_connection->insertRevision(id, parent, job, what);
    if (!made) return tl::unexpected(made.error());
    if (const auto set = m_connection->setHead(id, *made, *made, job); !set) {
        return tl::unexpected(set.error());
    }
    if (!transaction.commit()) return m_connection->failed();
    return *made;
}

Result<Job> Workshop::moveHead(JobId id, RevisionId to) {
    if (const auto may = m_connection->writable(); !may) return tl::unexpected(may.error());
    auto document = revision(to);
    if (!document) return document;
    Transaction transaction(m_connection->database);
    if (const auto set = m_connection->setHead(id, to, {}, *document); !set) {
        return tl::unexpected(set.error());
    }
    if (!transaction.commit()) return m_connection->failed();
    return document;
}

Result<void> Workshop::setOnShelf(JobId id, bool onShelf) {
    if (const auto may = m_connection->writable(); !may) return tl::unexpected(may.error());
    const Query query(m_connection->database,
                      QStringLiteral("UPDATE job SET on_shelf = ? WHERE id = ?"),
                      {onShelf ? 1 : 0, QVariant::fromValue(id)});
    if (!query.good) return m_connection->failed(query);
    return {};
}

}  // namespace glimmet::store
