// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/project/compare.h"

#include "ember/json/json.h"
#include "ember/project/file.h"

namespace ember {

namespace {

std::string wordOf(const Json& value)
{
    if (value.is_string())
        return value.get<std::string>();
    if (value.is_object())
        return value.contains("name") && value["name"].is_string() ? value["name"].get<std::string>() : "there";
    return value.is_array() ? std::to_string(value.size()) + " entries" : value.dump();
}

/// What an element of a list is called: its name, or its frame, or its place.
std::string nameOf(const Json& element, std::size_t place)
{
    if (element.is_object()) {
        if (element.contains("name") && element["name"].is_string() && !element["name"].get<std::string>().empty())
            return element["name"].get<std::string>();
        if (element.contains("frame") && element["frame"].is_number())
            return "frame " + element["frame"].dump();
    }
    return std::to_string(place + 1);
}

std::string spaced(std::string key)
{
    for (char& c : key)
        if (c == '_')
            c = ' ';
    return key;
}

void compare(const Json& a, const Json& b, const std::string& where, std::vector<Difference>& out)
{
    if (a == b)
        return;
    const std::string in = where.empty() ? "" : where + ": ";
    if (a.is_object() && b.is_object()) {
        for (const auto& [key, value] : a.items())
            if (!b.contains(key))
                out.push_back({in + spaced(key), wordOf(value), ""});
            else
                compare(value, b[key], in + spaced(key), out);
        for (const auto& [key, value] : b.items())
            if (!a.contains(key))
                out.push_back({in + spaced(key), "", wordOf(value)});
        return;
    }
    if (a.is_array() && b.is_array()) {
        const std::string of = where.empty() ? "" : where + ", ";
        const std::size_t count = std::max(a.size(), b.size());
        for (std::size_t i = 0; i < count; ++i)
            if (i >= b.size())
                out.push_back({of + nameOf(a[i], i), wordOf(a[i]), ""});
            else if (i >= a.size())
                out.push_back({of + nameOf(b[i], i), "", wordOf(b[i])});
            else
                compare(a[i], b[i], of + nameOf(a[i], i), out);
        return;
    }
    out.push_back({where, wordOf(a), wordOf(b)});
}

} // namespace

std::vector<Difference> differences(const Project& first, const Project& second)
{
    std::vector<Difference> out;
    compare(parsedJson(projectToJson(first, ""), "").value(), parsedJson(projectToJson(second, ""), "").value(), "",
            out);
    return out;
}

} // namespace ember
