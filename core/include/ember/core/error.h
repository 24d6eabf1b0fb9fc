// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <utility>
#include <variant>

#include "ember/core/phrase.h"

namespace ember {

/// What went wrong, told apart so that a caller can react.
enum class ErrorCode {
    notFound,    ///< the file does not exist
    unreadable,  ///< it exists but cannot be read (rights, a folder, a broken device)
    unwritable,  ///< it cannot be created, written or renamed (rights, full disk)
    exists,      ///< it is there already and may not be overwritten
    notMedia,    ///< no picture or sound is recognised in it
    noPicture,   ///< media without a picture (sound only, no frame)
    damaged,     ///< recognised, but cut short or corrupt
    unsupported, ///< recognised, but not a thing we read or write
    badValue,    ///< a number or word out of its range
    badFormat,   ///< text that does not follow its format
    cancelled,   ///< stopped on request
    failed,      ///< anything else, told in detail
};

/// An error as a value: the code, what it is about (a path or a key), and the detail.
struct Error {
    ErrorCode code = ErrorCode::failed;
    Phrase subject;
    Phrase detail;
};

/// One plain sentence a user can act on: what, where, and why where it is known.
Phrase phraseOf(const Error& error);
/// The same in words. Only the window and the batch tool make words.
std::string sentence(const Error& error, const Tongue& tongue = {});

/// What is said where memory was asked for and not there.
Error noMemory();

/// A value or the Error that stands in its place. Look at ok() before value().
template <typename T>
class [[nodiscard]] Result {
public:
    Result(T value) : content_(std::move(value)) {}
    Result(Error error) : content_(std::move(error)) {}

    bool ok() const { return std::holds_alternative<T>(content_); }
    explicit operator bool() const { return ok(); }

    T& value() & { return std::get<T>(content_); }
    const T& value() const& { return std::get<T>(content_); }
    T&& value() && { return std::get<T>(std::move(content_)); }
    const Error& error() const { return std::get<Error>(content_); }

    T* operator->() { return &value(); }
    const T* operator->() const { return &value(); }

private:
    std::variant<T, Error> content_;
};

/// The result of something that only can fail or not.
struct Done {};
using Status = Result<Done>;

} // namespace ember
