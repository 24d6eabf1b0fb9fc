// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/error.h"

#include "ember/core/shown_text.h"

namespace ember {

namespace {

constexpr std::size_t longestSubject = 400; // a path
constexpr std::size_t longestDetail = 600;

std::string lead(ErrorCode code, const std::string& subject)
{
    std::string name = subject.empty() ? "It" : inQuotes(subject, longestSubject);
    switch (code) {
    case ErrorCode::notFound: return name + " does not exist";
    case ErrorCode::unreadable: return name + " cannot be read";
    case ErrorCode::unwritable: return name + " cannot be written";
    case ErrorCode::exists: return name + " exists already";
    case ErrorCode::notMedia: return name + " holds no picture or sound that can be read";
    case ErrorCode::noPicture: return name + " has no picture";
    case ErrorCode::damaged: return name + " is damaged or cut short";
    case ErrorCode::unsupported: return name + " is of a kind that is not supported";
    case ErrorCode::badValue: return name + " has a value that cannot be used";
    case ErrorCode::badFormat: return name + " does not follow its format";
    case ErrorCode::cancelled: return subject.empty() ? "Cancelled" : name + " was cancelled";
    case ErrorCode::failed: return subject.empty() ? "It failed" : name + " failed";
    }
    return name;
}

} // namespace

Error noMemory()
{
    return {ErrorCode::failed, "", "there is not enough memory; close other programs, or work at a smaller size"};
}

std::string sentence(const Error& error)
{
    std::string text = lead(error.code, error.subject);
    if (!error.detail.empty())
        text += ": " + shownText(error.detail, longestDetail);
    return text + ".";
}

} // namespace ember
