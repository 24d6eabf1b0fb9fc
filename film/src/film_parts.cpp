// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/film_parts.h"

#include <algorithm>
#include <filesystem>

#include "ember/core/gentle.h"
#include "ember/files/cache.h"
#include "ember/files/whole_file.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_reader.h"
#include "ember/json/json.h"
#include "ember/media/join_films.h"
#include "ember/project/file.h"
#include "film_output.h"
#include "part_folder.h"

namespace ember {

namespace fs = std::filesystem;

namespace {

/// Its film, or the pattern of its pictures.
std::string partFile(const std::string& out, FilmFormat format, FilmPart part)
{
    if (!isSequence(format))
        return partStem(out, part) + fs::path(out).extension().string();
    std::error_code ignored;
    const bool folder = out.ends_with('/') || fs::is_directory(out, ignored);
    return partStem(out, part) + "/" + (folder ? std::string() : fs::path(out).filename().string());
}

/// Stands for a project and what its clips hold.
std::string markOf(const Project& project, const std::string& path)
{
    std::string text = projectToJson(project, fs::path(path).parent_path().string());
    for (const Shot& shot : project.shots) {
        if (shot.gap())
            continue;
        ClipOptions options;
        options.neverSequence = shot.still;
        const ClipMark mark = markOfClip(shot.clip, options);
        text += "\n" + std::to_string(mark.files) + " " + std::to_string(mark.bytes);
    }
    return nameFor(text);
}

/// What is known of a part that is whole.
struct Record {
    FilmPart part;
    std::int64_t first = 0;
    std::int64_t frames = 0;
    std::int64_t wholeFirst = 0;
    std::int64_t wholeLast = 0;
    std::int64_t bytes = 0; ///< of its film, or of all its pictures
    std::string project;    ///< see markOf()
    std::string settings;   ///< stands for them

    bool operator==(const Record& other) const
    {
        return first == other.first && frames == other.frames && bytes == other.bytes && alike(other);
    }
    /// Parts of one film.
    bool alike(const Record& other) const
    {
        return project == other.project && settings == other.settings && wholeFirst == other.wholeFirst &&
               wholeLast == other.wholeLast;
    }
};

Json toJson(const Record& record)
{
    return {{"vast_ember_part", 1},  {"part", record.part.number}, {"of", record.part.count},
            {"first", record.first}, {"frames", record.frames},    {"film", {record.wholeFirst, record.wholeLast}},
            {"bytes", record.bytes}, {"project", record.project},  {"settings", record.settings}};
}

Result<Record> readRecord(const std::string& path)
{
    constexpr std::uintmax_t largest = 1 << 16;
    const auto text = readFile(path, largest, "what is known of a part");
    if (!text)
        return text.error();
    const auto json = parsedJson(text.value(), path);
    if (!json)
        return json.error();
    try {
        Record record;
        record.part = {json->at("part").get<int>(), json->at("of").get<int>()};
        record.first = json->at("first").get<std::int64_t>();
        record.frames = json->at("frames").get<std::int64_t>();
        record.wholeFirst = json->at("film").at(0).get<std::int64_t>();
        record.wholeLast = json->at("film").at(1).get<std::int64_t>();
        record.bytes = json->at("bytes").get<std::int64_t>();
        record.project = json->at("project").get<std::string>();
        record.settings = json->at("settings").get<std::string>();
        return record;
    } catch (const Json::exception& error) {
        return Error{ErrorCode::badFormat, path, wordsFor(error)};
    }
}

/// -1 where some of it is missing.
std::int64_t bytesOf(const std::string& file, bool sequence, std::int64_t first, std::int64_t frames)
{
    std::int64_t sum = 0;
    const std::int64_t files = sequence ? frames : 1;
    for (std::int64_t i = 0; i < files; ++i) {
        std::error_code error;
        const auto bytes = fs::file_size(sequence ? sequenceFile(file, first + i) : file, error);
        if (error)
            return -1;
        sum += static_cast<std::int64_t>(bytes);
    }
    return sum;
}

std::string settingsMark(const RenderFile& file)
{
    const RenderForm& form = file.form;
    const auto number = [](auto value) { return std::to_string(static_cast<int>(value)); };
    return nameFor(fs::path(file.path).extension().string() + " " + number(form.width) + "x" + number(form.height) +
                   " " + number(form.quality) + " " + number(form.coder) + " " +
                   (form.depth ? number(*form.depth) : "-"));
}

} // namespace

Result<std::pair<Frame, Frame>> framesOfPart(const RenderFile& file, FrameRate rate, Frame first, Frame last,
                                             FilmPart part)
{
    const auto format = filmFormatOf(file.path);
    if (!format)
        return Error{ErrorCode::unsupported, file.path, filmFormatWords};
    if (*format == FilmFormat::gif)
        return Error{ErrorCode::unsupported, file.path,
                     "the pictures of a GIF hang together; render films or numbered pictures in parts"};
    const std::int64_t together = framesCodedTogether(*format, file.form.coder, rate);
    const std::int64_t frames = last - first + 1;
    const std::int64_t groups = (frames + together - 1) / together;
    if (part.count > groups)
        return Error{
            ErrorCode::badValue, file.path,
            Phrase("its {} frames can be rendered in {} parts at most, not in {}", frames, groups, part.count)};
    const auto begin = [&](int before) { return std::min(frames, groups * before / part.count * together); };
    return std::pair{first + begin(part.number - 1), first + (begin(part.number) - 1)};
}

Result<Phrase> renderPart(const Project& project, const RenderFile& file, FilmPart part, const RenderOptions& options,
                          const RenderWatcher& watcher)
{
    const auto frames = framesOfPart(file, project.rate, options.first, options.last, part);
    if (!frames)
        return frames.error();
    const FilmFormat format = *filmFormatOf(file.path);
    const OutputGuard guard = guardOf(project, options.projectPath);
    if (Status may = guard.mayWrite(file.path, true, ""); !may && !isSequence(format))
        return may.error();
    const RenderFile own{partFile(file.path, format, part), file.form};
    Record record;
    record.part = part;
    record.first = frames->first.index;
    record.frames = frames->second - frames->first + 1;
    record.wholeFirst = options.first.index;
    record.wholeLast = options.last.index;
    record.project = markOf(project, options.projectPath);
    record.settings = settingsMark(file);
    const std::string note = partRecord(file.path, part);
    if (Status may = guard.mayWrite(note, true, ""); !may)
        return may.error();
    const auto bytes = [&] { return bytesOf(own.path, isSequence(format), record.first, record.frames); };
    record.bytes = bytes();
    if (const auto there = readRecord(note); there && there.value() == record && !options.overwrite)
        return Phrase("Part {} of {} is there already and was kept.", part.number, part.count);
    std::error_code error;
    fs::remove(note, error); // from now on it is not whole
    if (error)
        return Error{ErrorCode::unwritable, note, error.message()};
    if (Status ready = partFolderFor(file.path, fs::path(own.path).parent_path().string()); !ready)
        return ready.error();
    RenderOptions ownOptions = options;
    ownOptions.first = frames->first;
    ownOptions.last = frames->second;
    ownOptions.overwrite = true;
    ownOptions.whole = {options.first, options.last};
    ownOptions.form = file.form;
    auto made = renderFilm(project, own.path, ownOptions, watcher);
    if (!made)
        return made;
    record.bytes = bytes();
    if (Status written = writeFileSafely(note, toJson(record).dump(2) + "\n"); !written)
        return written.error();
    return made;
}

namespace {

/// The parts that wait for a film.
class Parts {
public:
    static Result<Parts> find(const std::string& out, FilmFormat format)
    {
        const auto count = partsThere(out);
        if (!count)
            return count.error();
        Parts parts(out, format, count.value());
        if (Status read = parts.read(); !read)
            return read.error();
        return parts;
    }

    const std::vector<Record>& records() const { return records_; }
    std::string file(const Record& record) const { return partFile(out_, format_, record.part); }

    /// All that belongs to the parts, and the folder if nothing else is in it.
    void remove() const
    {
        std::error_code ignored;
        for (const Record& record : records_) {
            fs::remove(partRecord(out_, record.part), ignored);
            fs::remove(isSequence(format_) ? partStem(out_, record.part) : file(record), ignored);
        }
        fs::remove(partsFolder(out_), ignored);
    }

private:
    Parts(std::string out, FilmFormat format, int count) : out_(std::move(out)), format_(format), count_(count) {}

    Status read()
    {
        std::int64_t next = 0;
        for (int number = 1; number <= count_; ++number) {
            const std::string path = partRecord(out_, {number, count_});
            auto record = readRecord(path);
            if (!record)
                return record.error();
            if (number == 1)
                next = record->wholeFirst;
            const Record& first = records_.empty() ? record.value() : records_.front();
            if (record->part.number != number || record->part.count != count_ || record->first != next ||
                record->frames < 1)
                return Error{ErrorCode::badValue, path, "it is a part of another film, or of other frames"};
            if (record->project != first.project)
                return Error{ErrorCode::badValue, path,
                             "it was rendered from another state of the project than the first part; render it again"};
            if (!record->alike(first))
                return Error{ErrorCode::badValue, path,
                             "it was rendered with other settings than the first part; render it again"};
            if (bytesOf(file(record.value()), isSequence(format_), record->first, record->frames) != record->bytes)
                return Error{ErrorCode::damaged, file(record.value()),
                             "it is not as it was when it was rendered; render it again"};
            next += record->frames;
            records_.push_back(std::move(record).value());
        }
        if (next != records_.front().wholeLast + 1)
            return Error{ErrorCode::badValue, partsFolder(out_), "the parts end before the film does"};
        return Done{};
    }

    std::string out_;
    FilmFormat format_;
    int count_;
    std::vector<Record> records_; ///< in order
};

/// Moves the pictures to where they belong; back again if that goes wrong.
Status movePictures(const Parts& parts, const std::string& out, const Progress& progress)
{
    std::vector<std::pair<std::string, std::string>> moved;
    const auto back = [&](Error error) {
        std::error_code ignored;
        for (const auto& [from, to] : moved)
            fs::rename(to, from, ignored);
        return error;
    };
    std::error_code error;
    if (out.ends_with('/'))
        fs::create_directories(out, error);
    const auto total = static_cast<double>(parts.records().back().wholeLast - parts.records().front().first + 1);
    for (const Record& record : parts.records())
        for (std::int64_t number = record.first; number < record.first + record.frames; ++number) {
            const std::string from = sequenceFile(parts.file(record), number);
            const std::string to = sequenceFile(out, number);
            fs::rename(from, to, error);
            if (error)
                return back({ErrorCode::unwritable, to, error.message()});
            moved.emplace_back(from, to);
            if (!goesOn(progress, static_cast<double>(moved.size()) / total))
                return back({ErrorCode::cancelled, "The joining", ""});
        }
    return Done{};
}

} // namespace

Result<Phrase> joinParts(const Project& project, const std::string& out, const JoinOptions& options,
                         const Progress& progress)
{
    const auto format = filmFormatOf(out);
    if (!format)
        return Error{ErrorCode::unsupported, out, filmFormatWords};
    const auto parts = Parts::find(out, *format);
    if (!parts)
        return parts.error();
    const Record& first = parts->records().front();
    if (first.project != markOf(project, options.projectPath) &&
        first.project != markOf(gentled(project), options.projectPath))
        return Error{
            ErrorCode::badValue, partsFolder(out),
            "its parts are of another project, or this one or its clips have changed since; render them again"};
    const Frame begin{first.wholeFirst};
    const Frame end{first.wholeLast};
    const OutputGuard guard = guardOf(project, options.projectPath);
    const auto mayWrite = [&](const std::string& path) {
        return guard.mayWrite(path, options.overwrite, "say that it may be replaced, or choose another name");
    };
    if (isSequence(*format)) {
        for (Frame f = begin; f <= end; f = f + 1)
            if (Status may = mayWrite(sequenceFile(out, f.index)); !may)
                return may.error();
        if (Status moved = movePictures(parts.value(), out, progress); !moved)
            return moved.error();
        parts->remove();
        return Phrase("{} pictures of {} parts are in their place.", end - begin + 1, parts->records().size());
    }
    if (Status may = mayWrite(out); !may)
        return may.error();
    auto clip = openFilm(project, FilmPictures::stored);
    if (!clip)
        return clip.error();
    FilmSettings settings;
    settings.format = *format;
    settings.rate = project.rate;
    settings.overwrite = options.overwrite;
    tellWhole(settings, project, clip.value()->info(), begin, end);
    std::vector<FilmPiece> pieces;
    for (const Record& record : parts->records())
        pieces.push_back({parts->file(record), record.frames});
    if (Status joined = joinFilms(out, pieces, settings, progress); !joined)
        return joined.error();
    if (!options.keepParts)
        parts->remove();
    return Phrase("{} frames of {} parts are joined.", end - begin + 1, parts->records().size());
}

} // namespace ember
