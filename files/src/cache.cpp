// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/files/cache.h"

#include <cstdint>
#include <cstdlib>
#include <filesystem>

namespace ember {

namespace fs = std::filesystem;

std::string cacheFolder(std::string_view name)
{
    if (const char* cache = std::getenv("XDG_CACHE_HOME"); cache != nullptr && *cache == '/')
        return (fs::path(cache) / "vast-ember" / name).string();
    if (const char* home = std::getenv("HOME"); home != nullptr && *home == '/')
        return (fs::path(home) / ".cache" / "vast-ember" / name).string();
    return {};
}

std::string nameFor(std::string_view text)
{
    std::uint64_t hash = 14695981039346656037ULL;
    for (const char c : text)
        hash = (hash ^ static_cast<unsigned char>(c)) * 1099511628211ULL;
    std::string name;
    for (int i = 0; i < 16; ++i, hash >>= 4)
        name += "0123456789abcdef"[hash & 15];
    return name;
}

} // namespace ember
