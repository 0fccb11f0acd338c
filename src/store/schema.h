// The tables of a workshop file, and the statements that lead to them from older schemas.
#pragma once

#include <span>

namespace glimmet::store {

/// "GLMT" in the file header, so that other programs' databases are told apart.
inline constexpr int applicationId = 0x474C4D54;
/// The schema that this Glimmet writes. It rises with the format of the job JSON too, so that an
/// older Glimmet never opens for writing what it cannot read.
inline constexpr int schemaVersion = 6;
/// Since this one the tables are what they are now.
inline constexpr int firstWithDocuments = 3;

/// Makes the tables of the present schema in an empty database.
[[nodiscard]] std::span<const char* const> tables();
/// The tables of schema 2, for salvage of older files and for tests; 1 had no job_words.
[[nodiscard]] std::span<const char* const> olderTables();
/// What leads from an older schema to the present one; the words of the search are then put in job
/// by job. 1 and 2 differ only in the search, those from 3 only in it and in the format of the
/// jobs: revisions stay as they were written and are brought forward when they are read.
struct Steps {
    std::span<const char* const> before;
    std::span<const char* const> tables;
    std::span<const char* const> after;
};
[[nodiscard]] Steps stepsFrom(int schema);

}  // namespace glimmet::store
