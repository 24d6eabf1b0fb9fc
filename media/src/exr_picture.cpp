// SPDX-License-Identifier: GPL-3.0-or-later
#include "exr_picture.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <fcntl.h>
#include <filesystem>
#include <mutex>
#include <new>
#include <sys/stat.h>
#include <thread>
#include <unistd.h>
#include <vector>

#include <ImathBox.h>
#include <ImfChannelList.h>
#include <ImfChromaticitiesAttribute.h>
#include <ImfFrameBuffer.h>
#include <ImfHeader.h>
#include <ImfIO.h>
#include <ImfInputPart.h>
#include <ImfMultiPartInputFile.h>
#include <ImfOutputFile.h>
#include <ImfPartType.h>
#include <ImfStandardAttributes.h>
#include <ImfStringAttribute.h>
#include <ImfThreading.h>

#include "ember/core/shown_text.h"
#include "ember/files/whole_file.h"
#include "ember/image/convert.h"

namespace ember {

namespace {

constexpr std::int64_t mostPixels = 160'000'000; ///< of a window

/// A regular file, by its descriptor.
class FileStream final : public Imf::IStream {
public:
    FileStream(const std::string& path, int file) : IStream(path.c_str()), file_(file) {}
    FileStream(const FileStream&) = delete;
    FileStream& operator=(const FileStream&) = delete;
    ~FileStream() override { ::close(file_); }

    bool read(char to[], int count) override
    {
        while (count > 0) {
            const auto got = ::pread(file_, to, static_cast<std::size_t>(count), static_cast<off_t>(at_));
            if (got < 0 && errno == EINTR)
                continue;
            if (got <= 0)
                throw std::runtime_error(got == 0 ? "it ends before its contents do" : std::strerror(errno));
            to += got;
            at_ += static_cast<std::uint64_t>(got);
            count -= static_cast<int>(got);
        }
        return true;
    }
    std::uint64_t tellg() override { return at_; }
    void seekg(std::uint64_t at) override { at_ = at; }

private:
    int file_;
    std::uint64_t at_ = 0;
};

class TextStream final : public Imf::OStream {
public:
    explicit TextStream(const std::string& path) : OStream(path.c_str()) {}
    void write(const char from[], int count) override
    {
        const auto size = static_cast<std::size_t>(count);
        if (text_.size() < at_ + size)
            text_.resize(at_ + size);
        text_.replace(at_, size, from, size);
        at_ += size;
    }
    std::uint64_t tellp() override { return at_; }
    void seekp(std::uint64_t at) override { at_ = at; }
    std::string taken() { return std::move(text_); }

private:
    std::string text_;
    std::size_t at_ = 0;
};

void startThreads()
{
    static std::once_flag once;
    std::call_once(once, [] { Imf::setGlobalThreadCount(static_cast<int>(std::thread::hardware_concurrency())); });
}

Result<std::unique_ptr<FileStream>> streamOf(const std::string& path)
{
    if (auto wrong = notRegular(path))
        return *wrong;
    const int file = ::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK);
    if (file < 0)
        return Error{ErrorCode::unreadable, path, std::strerror(errno)};
    auto stream = std::make_unique<FileStream>(path, file);
    struct stat status {};
    if (::fstat(file, &status) != 0 || !S_ISREG(status.st_mode))
        return Error{ErrorCode::unreadable, path, "it is not a regular file"};
    return stream;
}

/// The names of the channels that make a picture; an empty one is not there.
struct PictureChannels {
    std::array<std::string, 4> rgba;
    bool grey = false; ///< one channel for all three colours

    bool any() const { return !rgba[0].empty() || !rgba[1].empty() || !rgba[2].empty(); }

    /// "R", "G", "B", "A" themselves before those of a layer ("beauty.R"), and these before a grey "Y".
    static PictureChannels of(const Imf::ChannelList& list)
    {
        const auto has = [&](const std::string& name) { return list.findChannel(name.c_str()) != nullptr; };
        const auto named = [&](const std::string& layer) {
            PictureChannels found;
            constexpr std::array<const char*, 4> letters{"R", "G", "B", "A"};
            for (std::size_t k = 0; k < 4; ++k)
                if (has(layer + letters[k]))
                    found.rgba[k] = layer + letters[k];
            return found;
        };
        PictureChannels found = named("");
        for (auto it = list.begin(); it != list.end() && !found.any(); ++it) {
            const std::string name = it.name();
            if (name.ends_with(".R"))
                found = named(name.substr(0, name.size() - 1));
        }
        if (!found.any() && has("Y")) {
            found = {{"Y", "Y", "Y", has("A") ? "A" : ""}, true};
        }
        return found;
    }
};

/// Texts that say what is in the file, and not what the picture is about.
bool isOwn(const std::string& name)
{
    return name == "name" || name == "type" || name == "view" || name == "version";
}

std::string namesOf(const Imf::ChannelList& list)
{
    std::string names;
    int count = 0;
    for (auto it = list.begin(); it != list.end() && count < 8; ++it, ++count)
        names += (names.empty() ? "" : ", ") + std::string(it.name());
    return names;
}

/// The known primaries nearest to these; nothing where none is near.
std::optional<Primaries> knownPrimaries(const Imf::Chromaticities& told)
{
    constexpr double near = 0.002;
    const Chromaticities c{told.red.x,  told.red.y,  told.green.x, told.green.y,
                           told.blue.x, told.blue.y, told.white.x, told.white.y};
    for (const Primaries known : {Primaries::bt709, Primaries::bt2020, Primaries::displayP3, Primaries::ap1}) {
        const Chromaticities& other = chromaticitiesOf(known);
        if (std::equal(c.begin(), c.end(), other.begin(), [](double a, double b) { return std::abs(a - b) < near; }))
            return known;
    }
    return std::nullopt;
}

/// The header's texts that are not the format's own.
Metadata textsOf(const Imf::Header& header)
{
    constexpr std::size_t most = 64;      // of entries,
    constexpr std::size_t longest = 4096; // and of bytes in each
    Metadata found;
    for (auto it = header.begin(); it != header.end() && found.size() < most; ++it)
        if (const auto* text = dynamic_cast<const Imf::StringAttribute*>(&it.attribute());
            text != nullptr && !isOwn(it.name()) && text->value().size() <= longest)
            found.emplace_back(it.name(), text->value());
    return found;
}

/// SMPTE ST 12-1, as its clock has it.
std::string textOf(const Imf::TimeCode& code)
{
    std::array<char, 16> text{};
    std::snprintf(text.data(), text.size(), "%02d:%02d:%02d%c%02d", code.hours(), code.minutes(), code.seconds(),
                  code.dropFrame() ? ';' : ':', code.frame());
    return text.data();
}

/// Nothing for what does not go into one: hours from 24 on, and frames from 60 on.
std::optional<Imf::TimeCode> timeCodeOf(const std::string& text)
{
    std::array<int, 4> fields{};
    char last = ':';
    if (std::sscanf(text.c_str(), "%2d:%2d:%2d%c%2d", &fields[0], &fields[1], &fields[2], &last, &fields[3]) != 5 ||
        fields[0] > 23 || fields[3] > 59)
        return std::nullopt;
    return Imf::TimeCode(fields[0], fields[1], fields[2], fields[3], last == ';');
}

class ExrReader final : public ClipReader {
public:
    static Result<std::unique_ptr<ClipReader>> open(const std::string& path, const ClipOptions& options);

    std::int64_t pictureAt(Frame, FrameRate) const override { return 0; }
    Result<ImagePtr> picture(std::int64_t) override { return picture_; }

private:
    Status describe(const Imf::MultiPartInputFile& file, const ClipOptions& options);
    Result<Image> read(Imf::MultiPartInputFile& file);
    void note(const Phrase& what)
    {
        const std::string name = inQuotes(std::filesystem::path(info_.path).filename().string());
        info_.notes.push_back({"{} {}.", name, what});
    }

    int part_ = 0;
    PictureChannels channels_;
    ImagePtr picture_;
};

Status ExrReader::describe(const Imf::MultiPartInputFile& file, const ClipOptions& options)
{
    std::string names;
    bool found = false;
    for (part_ = 0; part_ < file.parts() && !found; ++part_) {
        const Imf::Header& header = file.header(part_);
        if (header.hasType() && (header.type() == Imf::DEEPSCANLINE || header.type() == Imf::DEEPTILE))
            continue;
        channels_ = PictureChannels::of(header.channels());
        found = channels_.any();
        if (!found && names.empty())
            names = namesOf(header.channels());
    }
    if (!found)
        return Error{ErrorCode::noPicture, info_.path,
                     names.empty() ? Phrase("it has no flat picture")
                                   : Phrase("it has no channels R, G, B or Y, only {}", names)};
    const Imf::Header& header = file.header(--part_);
    const Imath::Box2i& shown = header.displayWindow();
    const Imath::Box2i& held = header.dataWindow();
    const auto sane = [](const Imath::Box2i& box) {
        const auto width = std::int64_t{box.max.x} - box.min.x + 1;
        const auto height = std::int64_t{box.max.y} - box.min.y + 1;
        return width > 0 && height > 0 && width <= 32768 && height <= 32768 && width * height <= mostPixels;
    };
    if (!sane(shown) || !sane(held))
        return Error{ErrorCode::damaged, info_.path, "its windows have impossible sizes"};
    info_.kind = ClipKind::still;
    info_.codec = "exr";
    if (const auto compression = static_cast<std::size_t>(header.compression()); compression < exrCompressions.size())
        info_.compression = exrCompressions[compression];
    info_.width = shown.max.x - shown.min.x + 1;
    info_.height = shown.max.y - shown.min.y + 1;
    info_.rate = options.sequenceRate;
    info_.length = std::llround(5 * info_.rate.perSecond()); // a still is shown for five seconds
    info_.alpha = !channels_.rgba[3].empty();
    info_.depth = Depth::single;
    info_.halfFloats = true;
    std::string missing;
    constexpr std::array<const char*, 3> words{"red", "green", "blue"};
    for (std::size_t k = 0; k < 4; ++k) {
        if (const auto* channel = header.channels().findChannel(channels_.rgba[k].c_str()); channel != nullptr)
            info_.halfFloats = info_.halfFloats && channel->type == Imf::HALF;
        else if (k < 3)
            missing += (missing.empty() ? "" : ", ") + std::string(words[k]);
    }
    if (!missing.empty())
        note({"has no {}: read as black", missing});
    info_.colour = {Primaries::bt709, Transfer::linear};
    if (Imf::hasChromaticities(header)) {
        if (const auto known = knownPrimaries(Imf::chromaticities(header)))
            info_.colour.primaries = *known;
        else
            note(Phrase("names primaries that are not known here: read as BT.709"));
    }
    info_.metadata = textsOf(header);
    if (Imf::hasTimeCode(header))
        info_.timecode = textOf(Imf::timeCode(header));
    info_.tags = tagsOf(info_.colour);
    info_.toldColour = info_.colour;
    info_.toldTags = info_.tags;
    info_ = readIn(std::move(info_), options.colour);
    return Done{};
}

Result<Image> ExrReader::read(Imf::MultiPartInputFile& file)
{
    const Imf::Header& header = file.header(part_);
    const Imath::Box2i& shown = header.displayWindow();
    const Imath::Box2i& held = header.dataWindow();
    Image image(info_.width, info_.height, Depth::single, info_.colour);
    image.setOpaque(!info_.alpha);
    const bool same = shown == held;
    if (!same)
        std::memset(image.row(0), 0, image.bytes());
    // Into the picture itself where the windows are the same, else by a picture of the data window.
    Image other = same ? Image() : Image(held.max.x - held.min.x + 1, held.max.y - held.min.y + 1, Depth::single);
    Image& into = same ? image : other;
    std::memset(into.row(0), 0, into.bytes());
    char* origin = reinterpret_cast<char*>(into.row(0)) - static_cast<std::ptrdiff_t>(held.min.x) * 16 -
                   static_cast<std::ptrdiff_t>(held.min.y) * static_cast<std::ptrdiff_t>(into.stride());
    Imf::FrameBuffer buffer;
    for (std::size_t k = 0; k < (channels_.grey ? 1 : 4); ++k)
        if (!channels_.rgba[k].empty())
            buffer.insert(channels_.rgba[k],
                          Imf::Slice(Imf::FLOAT, origin + 4 * k, 16, into.stride(), 1, 1, k == 3 ? 1.0 : 0.0));
    if (channels_.grey && info_.alpha)
        buffer.insert(channels_.rgba[3], Imf::Slice(Imf::FLOAT, origin + 12, 16, into.stride(), 1, 1, 1.0));
    Imf::InputPart part(file, part_);
    part.setFrameBuffer(buffer);
    try {
        part.readPixels(held.min.y, held.max.y);
    } catch (const std::bad_alloc&) {
        throw;
    } catch (const std::exception&) { // what is there stays
        foundDamaged(0);
    }
    for (int y = 0; y < into.height(); ++y)
        for (int x = 0; x < into.width(); ++x) {
            float* pixel = into.floatAt(x, y);
            if (channels_.grey)
                pixel[1] = pixel[2] = pixel[0];
            if (!info_.alpha)
                pixel[3] = 1;
        }
    if (same)
        return image;
    const int left = std::max(shown.min.x, held.min.x);
    const int right = std::min(shown.max.x, held.max.x);
    for (int y = std::max(shown.min.y, held.min.y); y <= std::min(shown.max.y, held.max.y) && left <= right; ++y)
        std::memcpy(image.floatAt(left - shown.min.x, y - shown.min.y), into.floatAt(left - held.min.x, y - held.min.y),
                    16 * static_cast<std::size_t>(right - left + 1));
    if (!info_.alpha)
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x)
                image.floatAt(x, y)[3] = 1;
    return image;
}

Result<std::unique_ptr<ClipReader>> ExrReader::open(const std::string& path, const ClipOptions& options)
{
    startThreads();
    auto stream = streamOf(path);
    if (!stream)
        return stream.error();
    auto reader = std::make_unique<ExrReader>();
    reader->info_.path = path;
    try {
        Imf::MultiPartInputFile file(*stream.value());
        if (auto known = reader->describe(file, options); !known)
            return known.error();
        auto image = reader->read(file);
        if (!image)
            return image.error();
        if (!options.asStored)
            image = ScreenPictures(reader->info_.colour, 1000).of(image.value());
        reader->picture_ = std::make_shared<const Image>(std::move(image).value());
    } catch (const std::bad_alloc&) {
        throw;
    } catch (const std::exception& error) {
        return Error{ErrorCode::damaged, path, error.what()};
    }
    return std::unique_ptr<ClipReader>(std::move(reader));
}

} // namespace

const std::array<std::string_view, 10> exrCompressions{"uncompressed", "rle", "zips", "zip",  "piz",
                                                       "pxr24",        "b44", "b44a", "dwaa", "dwab"};

bool isExr(const std::string& path)
{
    auto stream = streamOf(path);
    if (!stream)
        return false;
    // OpenEXR file layout: the magic number 20000630, the lowest byte first.
    std::array<char, 4> head{};
    try {
        stream.value()->read(head.data(), 4);
    } catch (const std::exception&) {
        return false;
    }
    return head == std::array<char, 4>{0x76, 0x2f, 0x31, 0x01};
}

Result<std::unique_ptr<ClipReader>> openExr(const std::string& path, const ClipOptions& options)
{
    return ExrReader::open(path, options);
}

Result<std::string> exrOf(const Image& image, const ExrCoding& coding, const std::string& path)
{
    if (image.depth() != Depth::single)
        return Error{ErrorCode::failed, path, "OpenEXR holds pictures of light only"};
    startThreads();
    try {
        Imf::Header header(image.width(), image.height());
        const auto known = std::find(exrCompressions.begin(), exrCompressions.end(), coding.compression);
        header.compression() = known != exrCompressions.end()
                                   ? static_cast<Imf::Compression>(known - exrCompressions.begin())
                                   : Imf::ZIP_COMPRESSION;
        const Chromaticities& c = chromaticitiesOf(image.colour().primaries);
        const auto point = [&](std::size_t i) {
            return Imath::V2f(static_cast<float>(c[2 * i]), static_cast<float>(c[2 * i + 1]));
        };
        Imf::addChromaticities(header, Imf::Chromaticities(point(0), point(1), point(2), point(3)));
        Imf::Rational rate;
        rate.n = static_cast<int>(coding.rate.num());
        rate.d = static_cast<unsigned>(coding.rate.den());
        Imf::addFramesPerSecond(header, rate);
        if (const auto timecode = timeCodeOf(coding.timecode))
            Imf::addTimeCode(header, *timecode);
        constexpr std::size_t longestName = 31; // of files that old readers can read
        for (const auto& [key, value] : coding.metadata)
            if (!key.empty() && key.size() <= longestName && !isOwn(key) && header.find(key) == header.end())
                header.insert(key, Imf::StringAttribute(value));
        const auto width = static_cast<std::size_t>(image.width());
        const std::size_t channels = coding.alpha ? 4 : 3;
        constexpr std::array<const char*, 4> letters{"R", "G", "B", "A"};
        const Imf::PixelType type = coding.halfFloats ? Imf::HALF : Imf::FLOAT;
        // The library converts nothing while it writes: halves are made here, rows side by side.
        std::vector<half> halves;
        if (coding.halfFloats) {
            halves.resize(4 * width * static_cast<std::size_t>(image.height()));
            for (int y = 0; y < image.height(); ++y) {
                const float* from = image.floatAt(0, y);
                std::transform(from, from + 4 * width, halves.data() + 4 * width * static_cast<std::size_t>(y),
                               [](float value) { return half(value); });
            }
        }
        Imf::FrameBuffer buffer;
        for (std::size_t k = 0; k < channels; ++k) {
            header.channels().insert(letters[k], Imf::Channel(type));
            char* base = coding.halfFloats ? reinterpret_cast<char*>(halves.data() + k)
                                           : const_cast<char*>(reinterpret_cast<const char*>(image.floatAt(0, 0) + k));
            buffer.insert(letters[k], coding.halfFloats ? Imf::Slice(type, base, 8, 8 * width)
                                                        : Imf::Slice(type, base, 16, image.stride()));
        }
        TextStream stream(path);
        {
            Imf::OutputFile file(stream, header);
            file.setFrameBuffer(buffer);
            file.writePixels(image.height());
        }
        return stream.taken();
    } catch (const std::bad_alloc&) {
        throw;
    } catch (const std::exception& error) {
        return Error{ErrorCode::failed, path, error.what()};
    }
}

} // namespace ember
