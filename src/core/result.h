// What can foreseeably fail returns a Result: the value, or an Error that says what was wrong.
#pragma once

#include "core/text.h"

#include <tl/expected.hpp>

#include <string>
#include <utility>

namespace glimmet::core {

/// Stable: numbers are printed and documented, so new codes go to the end.
enum class ErrorCode {
    OutOfRange = 1,     ///< a number outside what the model is valid for
    NotUnderstood = 2,  ///< a text that is no quantity, word or document of ours
    Missing = 3,        ///< something that is needed is not there
    Unknown = 4,        ///< a name that nothing goes by
    Unreadable = 5,     ///< a file that cannot be read or written
    TooNew = 6,         ///< a file of a later Glimmet
    Damaged = 7,        ///< a file whose contents do not hold together
    InUse = 8,          ///< a file that another Glimmet has open, or another program locked
    NotWritable = 9,    ///< a file that may be read and not written
    TooMuch = 10,       ///< more work or memory than is given to one answer
};

struct Error {
    ErrorCode code{};
    std::string field;  ///< which input: a field name, a JSON pointer, a file name
    Text what;          ///< a whole sentence: what was found, what is allowed, an example
};

template <class T>
using Result = tl::expected<T, Error>;

[[nodiscard]] inline tl::unexpected<Error> failure(ErrorCode code, std::string field, Text what) {
    return tl::unexpected(Error{code, std::move(field), std::move(what)});
}

}  // namespace glimmet::core
