// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/core/phrase.h"

#include "ember/core/text.h"

namespace ember {

Phrase Phrase::valueOf(double number)
{
    return shortestText(number);
}

Phrase Phrase::joined(const std::vector<Phrase>& phrases, const std::string& between)
{
    Phrase all;
    for (std::size_t i = 0; i < phrases.size(); ++i)
        all.text_ += (i == 0 ? "" : between) + "{}";
    all.code_ = !phrases.empty();
    all.values_ = phrases;
    return all;
}

std::string Phrase::said(const Tongue& tongue) const
{
    if (!code_)
        return text_;
    std::string words = tongue ? tongue(text_) : std::string();
    if (words.empty())
        words = text_;
    std::string out;
    std::size_t next = 0;
    for (std::size_t i = 0; i < words.size(); ++i) {
        const bool numbered = i + 2 < words.size() && words[i + 1] >= '1' && words[i + 1] <= '9' && words[i + 2] == '}';
        const bool plain = i + 1 < words.size() && words[i + 1] == '}';
        if (words[i] != '{' || (!plain && !numbered)) {
            out += words[i];
            continue;
        }
        const std::size_t which = numbered ? static_cast<std::size_t>(words[i + 1] - '1') : next++;
        if (which < values_.size())
            out += values_[which].said(tongue);
        i += numbered ? 2 : 1;
    }
    return out;
}

} // namespace ember
