// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/film_view.h"

#include "ember/film/film_colour.h"

namespace ember {

Result<std::shared_ptr<const FilmView>> FilmView::of(const Project& project, const ClipInfo& film)
{
    auto managed = FilmColour::of(project, film);
    if (!managed)
        return managed.error();
    std::shared_ptr<FilmView> view(new FilmView);
    if (const auto& colour = managed.value()) {
        view->depth_ = Depth::single;
        view->colour_ = {colour->primaries(), Transfer::linear};
        view->managed_ = colour;
        view->words_ = Phrase("{}, {}", colour->screen().display, colour->screen().view);
        if (!colour->screen().look.empty())
            view->words_ = Phrase("{}, {}", view->words_, colour->screen().look);
        view->notes_ = colour->notes();
        return std::shared_ptr<const FilmView>(std::move(view));
    }
    if (film.colour == ColourSpace{})
        return std::shared_ptr<const FilmView>();
    view->depth_ = film.depth;
    view->colour_ = heldAs(film.depth, film.colour);
    view->screen_.emplace(film.colour, brightestOf(film.tags));
    if (film.colour.hdr())
        view->words_ = film.colour.transfer == Transfer::pq ? Phrase("PQ shown as SDR") : Phrase("HLG shown as SDR");
    return std::shared_ptr<const FilmView>(std::move(view));
}

ImagePtr FilmView::of(const ImagePtr& rendered) const
{
    return std::make_shared<const Image>(managed_ ? managed_->screenTable().of(*rendered) : screen_->of(*rendered));
}

ImagePtr FilmView::exactly(const ImagePtr& rendered) const
{
    return managed_ ? std::make_shared<const Image>(managed_->toScreen().of(*rendered, Depth::sixteen, {}))
                    : of(rendered);
}

ImagePtr renderForScreen(const FilmView* view, const ImagePtr& source, FrameLook look, int width, int height)
{
    if (view == nullptr)
        return renderFrame(source, look, width, height);
    look.depth = view->depth();
    look.colour = view->colour();
    return view->of(renderFrame(source, look, width, height));
}

} // namespace ember
