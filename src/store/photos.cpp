// Photos in the workshop file: bytes by their SHA-256.
#include "store/connection.h"
#include "store/workshop.h"

#include <QCryptographicHash>

namespace glimmet::store {

using core::ErrorCode;
using core::failure;
using core::Result;
using core::text;

std::string_view photoKind(std::string_view bytes) {
    if (bytes.starts_with("\x89PNG\r\n\x1a\n")) return "image/png";
    if (bytes.starts_with("\xff\xd8\xff")) return "image/jpeg";
    return {};
}

std::string photoSum(std::string_view bytes) {
    return QCryptographicHash::hash(
               QByteArrayView(bytes.data(), static_cast<qsizetype>(bytes.size())),
               QCryptographicHash::Sha256)
        .toHex()
        .toStdString();
}

Result<std::string> Workshop::keepPhoto(std::string_view bytes) {
    const std::string_view kind = photoKind(bytes);
    if (kind.empty()) {
        return failure(ErrorCode::NotUnderstood, "photo",
                       text("That is neither a PNG nor a JPEG picture."));
    }
    if (bytes.size() > largestPhoto) {
        return failure(ErrorCode::TooMuch, "photo", text("A photo may have 32 MB at the most."));
    }
    const std::string sum = photoSum(bytes);
    return m_connection->writing([&]() -> Result<std::string> {
        const auto kept = m_connection->database.run(
            "INSERT INTO blob VALUES (?,?,?) ON CONFLICT (sha256) DO UPDATE SET "
            "mime = excluded.mime, bytes = excluded.bytes",
            {std::string_view(sum), kind, sql::Blob{bytes}});
        if (!kept) return m_connection->failed(kept.error());
        return sum;
    });
}

Result<std::string> Workshop::photo(const std::string& sum) const {
    std::optional<std::string> found;
    if (m_connection->present) {
        const auto read = m_connection->database.rows(
            "SELECT bytes FROM blob WHERE sha256 = ?", {std::string_view(sum)},
            [&](const sql::Row& row) { found = row.bytes(0); });
        if (!read) return m_connection->failed(read.error());
    }
    if (!found) {
        return failure(ErrorCode::Unknown, sum, text("This photo is not in the workshop file."));
    }
    if (photoSum(*found) != sum) {
        return failure(ErrorCode::Damaged, sum, text("This photo is damaged in the file."));
    }
    return std::move(*found);
}

}  // namespace glimmet::store
