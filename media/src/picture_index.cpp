// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_index.h"

#include <algorithm>
#include <cstring>
#include <ctime>
#include <filesystem>
#include <list>
#include <mutex>

#include "ember/files/cache.h"
#include "ember/files/whole_file.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

constexpr std::string_view magic = "vast-ember-index-1\n";
constexpr std::size_t entryBytes = 17;
constexpr std::size_t mostEntries = 16'000'000;      ///< of all that are kept in memory: three days at 60 a second
constexpr std::int64_t worthKeeping = 8 << 20;       ///< bytes; smaller files are read as quickly as a cache is
constexpr std::size_t mostFiles = 400;               ///< in the cache folder
constexpr std::uintmax_t largestFile = 512ULL << 20; ///< of one index

/// What tells this stream of this content of a file from any other.
std::string markOf(const FileStamp& stamp, int stream)
{
    return std::to_string(stamp.device) + ' ' + std::to_string(stamp.inode) + ' ' + std::to_string(stamp.bytes) + ' ' +
           std::to_string(stamp.seconds) + ' ' + std::to_string(stamp.nanoseconds) + ' ' + std::to_string(stream);
}

/// Where nothing that is written just now is trusted: a file system may give two contents the same time.
bool justWritten(const FileStamp& stamp)
{
    timespec now{};
    clock_gettime(CLOCK_REALTIME, &now);
    const double age =
        static_cast<double>(now.tv_sec - stamp.seconds) + static_cast<double>(now.tv_nsec - stamp.nanoseconds) * 1e-9;
    return age < 0.1;
}

class Kept {
public:
    SharedIndex find(const std::string& mark)
    {
        const std::lock_guard lock(mutex_);
        const auto found = at(mark);
        if (found == known_.end())
            return nullptr;
        known_.splice(known_.begin(), known_, found);
        return known_.front().second;
    }
    void keep(const std::string& mark, SharedIndex index)
    {
        const std::lock_guard lock(mutex_);
        if (at(mark) != known_.end())
            return;
        entries_ += index->entries.size();
        known_.emplace_front(mark, std::move(index));
        while (entries_ > mostEntries && known_.size() > 1) {
            entries_ -= known_.back().second->entries.size();
            known_.pop_back();
        }
    }

private:
    using Known = std::list<std::pair<std::string, SharedIndex>>;
    Known::iterator at(const std::string& mark)
    {
        return std::find_if(known_.begin(), known_.end(), [&](const auto& one) { return one.first == mark; });
    }
    std::mutex mutex_;
    Known known_; ///< the one used last comes first
    std::size_t entries_ = 0;
};

Kept& kept()
{
    static Kept indexes;
    return indexes;
}

/// The oldest go when there are too many.
void prune(const fs::path& folder)
{
    std::vector<std::pair<fs::file_time_type, fs::path>> files;
    std::error_code error;
    for (fs::directory_iterator file(folder, error), end; !error && file != end; file.increment(error))
        files.emplace_back(fs::last_write_time(file->path(), error), file->path());
    if (files.size() <= mostFiles)
        return;
    std::sort(files.begin(), files.end());
    files.resize(files.size() - mostFiles);
    for (const auto& [time, file] : files)
        fs::remove(file, error);
}

/// A cache that cannot be written is no trouble: the file is read again next time.
void store(const PictureIndex& index, const std::string& mark)
{
    const fs::path folder = cacheFolder("index");
    std::error_code error;
    if (folder.empty() || (!fs::is_directory(folder, error) && !fs::create_directories(folder, error)))
        return;
    if (writeFileSafely((folder / nameFor(mark)).string(), packedIndex(index, mark)))
        prune(folder);
}

template <typename T>
void put(std::string& out, T value)
{
    for (std::size_t i = 0; i < sizeof value; ++i)
        out += static_cast<char>(static_cast<std::uint64_t>(value) >> (8 * i) & 255);
}

std::int64_t taken(const char*& from)
{
    std::uint64_t value = 0;
    for (int i = 0; i < 8; ++i)
        value |= static_cast<std::uint64_t>(static_cast<unsigned char>(*from++)) << (8 * i);
    return static_cast<std::int64_t>(value);
}

} // namespace

std::string packedIndex(const PictureIndex& index, const std::string& mark)
{
    std::string out(magic);
    out += mark + '\n';
    put(out, index.packets);
    out += index.cutOff ? '\1' : '\0';
    out.reserve(out.size() + entryBytes * index.entries.size());
    for (const auto& entry : index.entries) {
        put(out, entry.shown);
        put(out, entry.decoded);
        out += entry.key ? '\1' : '\0';
    }
    return out;
}

std::unique_ptr<PictureIndex> unpackedIndex(const std::string& bytes, const std::string& mark)
{
    const std::string head = std::string(magic) + mark + '\n';
    const std::size_t begin = head.size() + 9;
    if (!bytes.starts_with(head) || bytes.size() <= begin || (bytes.size() - begin) % entryBytes != 0)
        return nullptr;
    auto index = std::make_unique<PictureIndex>();
    const char* at = bytes.data() + head.size();
    index->packets = taken(at);
    index->cutOff = *at++ != 0;
    index->entries.resize((bytes.size() - begin) / entryBytes);
    std::int64_t last = INT64_MIN;
    for (auto& entry : index->entries) {
        entry.shown = taken(at);
        entry.decoded = taken(at);
        entry.key = *at++ != 0;
        if (entry.shown <= last && &entry != index->entries.data())
            return nullptr; // not as it was written
        last = entry.shown;
    }
    if (index->packets < static_cast<std::int64_t>(index->entries.size()))
        return nullptr;
    return index;
}

Result<SharedIndex> pictureIndex(const std::string& path, int stream, const std::function<Result<PictureIndex>()>& read)
{
    const FileStamp stamp = stampOf(path);
    const std::string mark = markOf(stamp, stream);
    const bool known = stamp.bytes >= 0 && !justWritten(stamp);
    if (known) {
        if (auto index = kept().find(mark))
            return index;
        if (const fs::path folder = cacheFolder("index"); stamp.bytes >= worthKeeping && !folder.empty()) {
            if (const auto bytes = readFile((folder / nameFor(mark)).string(), largestFile, "an index"); bytes)
                if (auto index = unpackedIndex(bytes.value(), mark)) {
                    const SharedIndex shared(std::move(index));
                    kept().keep(mark, shared);
                    return shared;
                }
        }
    }
    auto made = read();
    if (!made)
        return made.error();
    const auto index = std::make_shared<const PictureIndex>(std::move(made).value());
    if (known && stampOf(path) == stamp) { // it was not written while it was read
        kept().keep(mark, index);
        if (stamp.bytes >= worthKeeping)
            store(*index, mark);
    }
    return SharedIndex(index);
}

} // namespace ember
