// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/error.h"

#include "ember/core/shown_text.h"

namespace ember {

namespace {

constexpr std::size_t longestSubject = 400; // a path
constexpr std::size_t longestDetail = 600;

/// With and without a detail.
struct Lead {
    const char* alone;
    const char* before;
};

Lead leadOf(ErrorCode code)
{
    switch (code) {
    case ErrorCode::notFound: return {"{} does not exist.", "{} does not exist: {}."};
    case ErrorCode::unreadable: return {"{} cannot be read.", "{} cannot be read: {}."};
    case ErrorCode::unwritable: return {"{} cannot be written.", "{} cannot be written: {}."};
    case ErrorCode::exists: return {"{} exists already.", "{} exists already: {}."};
    case ErrorCode::notMedia:
        return {"{} holds no picture or sound that can be read.", "{} holds no picture or sound that can be read: {}."};
    case ErrorCode::noPicture: return {"{} has no picture.", "{} has no picture: {}."};
    case ErrorCode::damaged: return {"{} is damaged or cut short.", "{} is damaged or cut short: {}."};
    case ErrorCode::unsupported:
        return {"{} is of a kind that is not supported.", "{} is of a kind that is not supported: {}."};
    case ErrorCode::badValue: return {"{} has a value that cannot be used.", "{} has a value that cannot be used: {}."};
    case ErrorCode::badFormat: return {"{} does not follow its format.", "{} does not follow its format: {}."};
    case ErrorCode::cancelled: return {"{} was cancelled.", "{} was cancelled: {}."};
    case ErrorCode::failed: break;
    }
    return {"{} failed.", "{} failed: {}."};
}

/// What came from outside may be endless.
Phrase noLonger(const Phrase& phrase, std::size_t longest)
{
    const std::string words = phrase.said();
    return words.size() > longest ? Phrase(shownText(words, longest)) : phrase;
}

} // namespace

Error noMemory()
{
    return {ErrorCode::failed, "", "there is not enough memory; close other programs, or work at a smaller size"};
}

Phrase phraseOf(const Error& error)
{
    if (error.code == ErrorCode::cancelled && error.subject.empty() && error.detail.empty())
        return "Cancelled.";
    const Phrase subject =
        error.subject.empty() ? Phrase("It") : Phrase("\"{}\"", noLonger(error.subject, longestSubject));
    const Lead lead = leadOf(error.code);
    return error.detail.empty() ? Phrase(lead.alone, subject)
                                : Phrase(lead.before, subject, noLonger(error.detail, longestDetail));
}

std::string sentence(const Error& error, const Tongue& tongue)
{
    std::string words = shownText(phraseOf(error).said(tongue), 2 * (longestSubject + longestDetail));
    if (words.ends_with("..") && !words.ends_with("...")) // the detail is a sentence itself
        words.pop_back();
    return words;
}

} // namespace ember
