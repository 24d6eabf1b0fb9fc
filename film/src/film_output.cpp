// SPDX-License-Identifier: GPL-3.0-or-later
#include "film_output.h"

#include <algorithm>
#include <filesystem>

#include "chapters.h"
#include "ember/core/shown_text.h"
#include "ember/core/timecode.h"
#include "ember/film/film_inputs.h"

namespace ember {

namespace {

constexpr const char* sayReplace = "say that it may be replaced, or choose another name";

/// No picture of a series, and no film, onto anything the film is made of.
Status mayRender(const Project& project, const std::string& out, const RenderOptions& options, FilmFormat format)
{
    const OutputGuard guard = guardOf(project, options.projectPath);
    if (!isSequence(format))
        return guard.mayWrite(out, options.overwrite, sayReplace);
    for (Frame f = options.first; f <= options.last; f = f + 1)
        if (Status may = guard.mayWrite(sequenceFile(out, f.index), options.overwrite || options.resume, sayReplace);
            !may)
            return may;
    return Done{};
}

/// What is not as it was in the clips.
std::vector<Phrase> colourNotes(const ClipInfo& film, const FilmForm& form)
{
    std::vector<Phrase> told;
    if (form.depth != Depth::single && film.depth == Depth::single)
        told.push_back(
            {"The clip holds light of any brightness, the film codes up to white: what is brighter is cut off. "
             "OpenEXR (.exr) keeps it."});
    else if (form.colour.hdr())
        told.push_back({"The film is {}.", wordsOf(form.colour)});
    const bool mixed = std::any_of(film.shots.begin(), film.shots.end(), [&](const ClipInfo& clip) {
        return !clip.path.empty() && clip.colour != film.colour;
    });
    if (mixed)
        told.push_back({"Its clips have different colour spaces; all are brought into the first one's, {}.",
                        wordsOf(form.colour)});
    return told;
}

/// The same where a config manages the colours.
std::vector<Phrase> managedNotes(const FilmColour& colour, const FilmForm& form)
{
    std::vector<Phrase> told = colour.notes();
    const bool open = form.tags.transfer == 2; // not told
    told.push_back(open ? Phrase("The film is in the colour space {}, which no tag of a film has a number for.",
                                 inQuotes(form.space))
                        : Phrase("The film is in the colour space {}.", inQuotes(form.space)));
    return told;
}

} // namespace

Status FilmOutput::prepare(const Project& project, const ClipInfo& clips, const FilmColour* colour, RenderFile file,
                           const RenderOptions& options)
{
    file_ = std::move(file);
    const auto format = filmFormatOf(file_.path);
    if (!format)
        return Error{ErrorCode::unsupported, file_.path, filmFormatWords};
    const auto coders = codersIn(*format);
    if (std::find(coders.begin(), coders.end(), file_.form.coder) == coders.end())
        return Error{ErrorCode::badValue, file_.path,
                     Phrase("{} does not go into this kind of file",
                            coderWords[static_cast<std::size_t>(file_.form.coder)].label)};
    if (Status may = mayRender(project, file_.path, options, *format); !may)
        return may;
    const std::string space = colour != nullptr ? colour->filmSpace(*format != FilmFormat::exrSequence) : std::string();
    const ClipInfo info = colour != nullptr ? colour->filmInfo(space) : clips;
    const Coder coder = coderFor(*format, file_.form.coder, info.colour);
    const Depth depth = depthFor(*format, coder, info.depth, file_.form.depth);
    form_ = colour != nullptr ? FilmForm{depth, info.colour, info.tags, space} : FilmForm::of(info, depth);
    told_ = colour != nullptr ? managedNotes(*colour, form_) : colourNotes(info, form_);
    const int askedWidth = file_.form.width;
    const int askedHeight = file_.form.height;
    fitToFormat(*format, file_.form.width, file_.form.height);
    if (file_.form.width != askedWidth || file_.form.height != askedHeight)
        told_.push_back(
            {"This format needs even sizes: the film is {} x {} pixels.", file_.form.width, file_.form.height});
    if (Status opened = sound_.open(project, info, *format, file_.form.coder, options); !opened)
        return opened;
    resumed_ = options.resume && isSequence(*format);
    FilmSettings settings;
    settings.format = *format;
    settings.width = file_.form.width;
    settings.height = file_.form.height;
    settings.rate = project.rate;
    settings.alpha = info.alpha || project.finish.edges == EdgeMode::transparent;
    settings.coder = coder;
    settings.depth = form_.depth;
    settings.tags = form_.tags;
    settings.halfFloats =
        file_.form.depth ? *file_.form.depth != Depth::single : info.depth != Depth::single || info.halfFloats;
    settings.storedCodec = info.codec;
    settings.storedPixels = info.pixelFormat;
    settings.storedCompression = info.compression;
    settings.quality = file_.form.quality;
    settings.keepPictures = resumed_;
    settings.sounds = sound_.tracks();
    if (!options.whole || isSequence(*format))
        tellWhole(settings, project, info, options.first, options.last);
    settings.overwrite = options.overwrite;
    settings.threads = options.threads;
    settings.firstNumber = options.first.index;
    auto writer = FilmWriter::create(file_.path, settings);
    if (!writer)
        return writer.error();
    writer_ = std::move(writer).value();
    return Done{};
}

void tellWhole(FilmSettings& settings, const Project& project, const ClipInfo& info, Frame first, Frame last)
{
    if (project.clock.start > 0)
        settings.timecode = timecodeOf(first.index, project.clock, project.rate);
    settings.metadata = info.metadata;
    settings.chapters = chaptersOf(project, info, first, last);
}

bool FilmOutput::has(Frame frame) const
{
    // Those that are only begun have other names.
    std::error_code ignored;
    return resumed_ && std::filesystem::exists(sequenceFile(file_.path, frame.index), ignored);
}

void FilmOutput::add(const ImagePtr& picture, double secondsDone)
{
    if (error_)
        return;
    Status status = Done{};
    if (picture != nullptr) {
        status = writer_->addFrame(*picture);
    } else {
        writer_->skipFrame();
        ++kept_;
    }
    if (status)
        status = sound_.giveUntil(*writer_, secondsDone);
    if (!status) {
        error_ = status.error();
        writer_.reset(); // takes its file away
    }
}

Result<Phrase> FilmOutput::finish(const Phrase& damage)
{
    if (error_)
        return *error_;
    if (const Status heard = sound_.giveRest(*writer_); !heard)
        return heard.error();
    if (const Status finished = writer_->finish(); !finished)
        return finished.error();
    if (kept_ > 0)
        told_.push_back({"{} pictures were there already and were kept.", kept_});
    if (!damage.empty())
        told_.push_back(damage);
    const auto heard = sound_.told();
    told_.insert(told_.end(), heard.begin(), heard.end());
    return Phrase::joined(told_, "\n");
}

} // namespace ember
