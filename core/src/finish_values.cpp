// SPDX-License-Identifier: GPL-3.0-or-later
// The values of how frames are finished: finish, effects, layers.
#include "value_list.h"

namespace ember {

namespace {

constexpr std::array<std::string_view, 5> edgeWords{"mirror", "extend", "plain", "wrap", "transparent"};
constexpr std::array<std::string_view, 3> coverWords{"off", "constant", "breathing"};
constexpr FieldSpec edges = choiceField("edges", "Edges", edgeWords, 0, "What fills the border");
constexpr FieldSpec cover = choiceField("cover", "Cover", coverWords, 1, "Enlarge to hide the border");

constexpr FieldSpec coverBars =
    choiceField("cover_bars", "Use the bars", offOn, 1, "What the letterbox hides need not be covered");
constexpr FieldSpec coverSpeed{"cover_speed",
                               "Cover speed",
                               "%",
                               0.005,
                               1,
                               0.04,
                               0.005,
                               "How fast breathing may enlarge the picture, in a second"};
constexpr FieldSpec shutterAngle{
    "shutter_angle",
    "Shutter angle",
    "°",
    0,
    1440,
    0,
    15,
    "How long the shutter is open for each frame; 180° is half of it, 0 is no motion blur, more than 360° sees its "
    "neighbours too"};
constexpr FieldSpec exposure{
    "exposure",
    "Exposure",
    "%",
    -1,
    1,
    0,
    0.05,
    "When the shutter is open, in percent of a frame: 0 is centred on the frame's own instant, "
    "half of what the angle opens is from the frame on, as much below 0 up to the frame"};
constexpr FieldSpec instants{"instants", "Instants per frame",
                             "",         0,
                             256,        0,
                             1,          "Instants seen while the shutter is open; 0 takes as many as the motion needs",
                             {},         true};
constexpr FieldSpec blurAbove{"blur_above",
                              "Blur above",
                              "px",
                              0,
                              1000,
                              0,
                              1,
                              "Motion of fewer pixels a frame is not blurred; 0 blurs every motion"};
constexpr FieldSpec rolling{
    "rolling", "Rolling shutter",
    "frames",  0,
    1,         0,
    0.05,      "Time from the first row to the last, as a small camera reads them; 0 is all at once"};
constexpr FieldSpec letterbox{"letterbox", "Letterbox", "",   0,
                              10,          0,           0.05, "Width to height of what the bars leave; 0 is no bars"};
constexpr FieldSpec showBlur = choiceField("show_blur", "Motion blur", offOn, 1, "Motion blur for the whole film");
constexpr FieldSpec showStreak = choiceField("show_streak", "Streak", offOn, 1, "Streaks for the whole film");
constexpr FieldSpec showRadial =
    choiceField("show_radial", "Radial streak", offOn, 1, "Radial streaks for the whole film");
constexpr FieldSpec showFringe = choiceField("show_fringe", "Fringe", offOn, 1, "Fringe for the whole film");
constexpr FieldSpec showFlash = choiceField("show_flash", "Flash", offOn, 1, "Flashes for the whole film");
constexpr FieldSpec showExposure =
    choiceField("show_exposure", "Exposure kick", offOn, 1, "Exposure kicks for the whole film");
constexpr FieldSpec showImpact =
    choiceField("show_impact", "Impact frames", offOn, 1, "Impact frames for the whole film");
constexpr FieldSpec showDefocus = choiceField("show_defocus", "Defocus", offOn, 1, "Defocus for the whole film");
constexpr FieldSpec showRipple = choiceField("show_ripple", "Ripple", offOn, 1, "Ripples for the whole film");
constexpr FieldSpec showGrain = choiceField("show_grain", "Grain", offOn, 1, "Grain bursts for the whole film");
constexpr FieldSpec showFlicker =
    choiceField("show_flicker", "Flicker", offOn, 1, "Flicker for the whole film; without it effects are steady");
constexpr FieldSpec showLayers = choiceField("show_layers", "Layers", offOn, 1, "Layers for the whole film");

constexpr std::array<std::string_view, 2> courseWords{"own", "envelope"};
constexpr std::array<std::string_view, 2> streakWords{"motion", "set"};
constexpr std::array<std::string_view, 3> fringeWords{"motion", "set", "centre"};
constexpr std::array<std::string_view, 2> blendWords{"add", "mix"};
constexpr std::array<std::string_view, 2> countWords{"frames", "beats"};

constexpr FieldSpec courseBy = choiceField("course", "Follows", courseWords, 0,
                                           "Own: by its own lengths around the peak; envelope: as the strike is felt");
constexpr FieldSpec riseOfOne{"rise", "Rise", "frames", 0, 240, 1, 1, "Frames before the peak in which it comes"};
constexpr FieldSpec riseOfNone{"rise", "Rise", "frames", 0, 240, 0, 1, "Frames before the peak in which it comes"};
constexpr FieldSpec stay{"hold", "Hold", "frames", 0, 240, 0, 1, "Frames after the peak that it stays"};
constexpr FieldSpec fallOf(double frames)
{
    return {"fall", "Fall", "frames", 0, 2400, frames, 1, "Frames in which it then goes, fast first"};
}
constexpr FieldSpec streakFall = fallOf(6);
constexpr FieldSpec radialFall = fallOf(8);
constexpr FieldSpec fringeFall = fallOf(5);
constexpr FieldSpec flashFall = fallOf(8);
constexpr FieldSpec streakLength{"length", "Streak", "px", 0, 2000, 0, 2, "How far light is drawn out at the peak"};
constexpr FieldSpec radialLength{
    "length", "Radial streak", "px", 0, 2000, 0, 2, "How far light is drawn out at the frame's corner, at the peak"};
constexpr FieldSpec radialX{"x", "Centre x", "%", -1, 2, 0.5, 0.01, "Centre, of the frame's width"};
constexpr FieldSpec radialY{"y", "Centre y", "%", -1, 2, 0.5, 0.01, "Centre, of the frame's height"};
constexpr FieldSpec streakToward =
    choiceField("toward", "Direction", streakWords, 0, "Along the way the picture moves, or by the angle");
constexpr FieldSpec fringeToward =
    choiceField("toward", "Direction", fringeWords, 0, "Along the way the picture moves, by the angle, or outwards");
constexpr FieldSpec streakAngle{"angle", "Angle", "°", -180, 360, 90, 5, "0 is right, 90 down"};
constexpr FieldSpec fringeAngle{"angle", "Angle", "°", -180, 360, 0, 5, "0 is right, 90 down"};
constexpr FieldSpec fringeAmount{
    "amount", "Fringe", "px", 0, 500, 0, 0.5, "How far red and blue are torn apart from green at the peak"};
constexpr FieldSpec flashStrength{"strength", "Flash", "%", 0, 4, 0, 0.05, "Light at the peak, against white"};
constexpr FieldSpec flashColour{"colour", "Colour", "colour", 0, 0xffffff, 0xfff0d8, 1, "Colour of the flash",
                                {},       true};
constexpr FieldSpec flashBlend =
    choiceField("blend", "Blend", blendWords, 0, "Add: light on top; mix: in place of the picture");
constexpr FieldSpec exposureFall = fallOf(6);
constexpr FieldSpec impactFall = fallOf(0);
constexpr FieldSpec defocusFall = fallOf(10);
constexpr FieldSpec rippleFall = fallOf(18);
constexpr FieldSpec grainFall = fallOf(10);
constexpr FieldSpec stayFor(double frames)
{
    return {"hold", "Hold", "frames", 0, 240, frames, 1, "Frames after the peak that it stays"};
}
constexpr FieldSpec impactStay = stayFor(1);
constexpr FieldSpec rippleStay = stayFor(6);
constexpr FieldSpec grainStay = stayFor(2);
constexpr FieldSpec exposureStops{"stops", "Exposure kick",
                                  "stops", -8,
                                  8,       0,
                                  0.25,    "How much brighter the picture is at the peak; below 0 it is darker"};
constexpr std::array<std::string_view, 3> impactWords{"contrast", "invert", "two_tone"};
constexpr FieldSpec impactStrength{
    "strength", "Impact frames", "%", 0, 1, 0, 0.05, "How much of the picture is replaced by its graphic version"};
constexpr FieldSpec impactLook = choiceField(
    "look", "Look", impactWords, 0, "Contrast: hard light and dark; invert: a negative; two tone: two colours");
constexpr FieldSpec impactThreshold{"threshold", "Threshold", "%",  0,
                                    1,           0.35,        0.05, "Brightness between dark and light"};
constexpr FieldSpec impactSoftness{
    "softness", "Softness", "%",  0,
    1,          0.15,       0.05, "How far from the threshold it is fully dark or light; 0 is at once"};
constexpr FieldSpec impactDark{"dark", "Dark", "colour", 0, 0xffffff, 0, 1, "Colour of what is dark", {}, true};
constexpr FieldSpec impactLight{"light", "Light", "colour", 0, 0xffffff, 0xffffff, 1, "Colour of what is light",
                                {},      true};
constexpr FieldSpec defocusRadius{"radius", "Defocus", "px", 0,
                                  200,      0,         1,    "Radius of the disc that a point becomes at the peak"};
constexpr FieldSpec rippleAmount{
    "amount", "Ripple", "px", 0,
    500,      0,        2,    "How far the ring pushes the picture outwards at the peak; less at the frame's border"};
constexpr std::array<std::string_view, 2> fromWords{"point", "place"};
constexpr FieldSpec rippleFrom =
    choiceField("from", "From", fromWords, 0, "A point of the frame, or where the strike's place is seen");
constexpr FieldSpec rippleSpeed{
    "speed", "Ring speed", "px/s", 0, 20000, 1200, 50, "How fast the ring runs outwards, from the strike's onset on"};
constexpr FieldSpec rippleWidth{
    "width", "Ring width", "px", 4, 4000, 120, 5, "From the middle of the ring to where it ends on either side"};
constexpr FieldSpec grainAmount{"amount", "Grain", "%", 0, 2, 0, 0.02, "How much the light varies at the peak"};
constexpr FieldSpec grainSize{"size", "Grain size", "px", 0.5, 32, 1.5, 0.25, "How large a grain is"};
constexpr FieldSpec grainColour =
    choiceField("colour", "In colour", offOn, 0, "Red, green and blue have grain of their own");
constexpr FieldSpec flickerEvery{
    "every", "Flicker", "", 1, 48, 1, 1, "Effects chosen here are shown on every n-th frame of the strike; 1 is always",
    {},      true};
constexpr FieldSpec flickerCount =
    choiceField("count", "Counts", countWords, 0, "Frames from the strike's own on, or frames on which a beat falls");
constexpr FieldSpec flickerStreak = choiceField("streak", "Streak flickers", offOn, 0, "The streak flickers");
constexpr FieldSpec flickerRadial = choiceField("radial", "Radial flickers", offOn, 0, "The radial streak flickers");
constexpr FieldSpec flickerFringe = choiceField("fringe", "Fringe flickers", offOn, 0, "The fringe flickers");
constexpr FieldSpec flickerFlash = choiceField("flash", "Flash flickers", offOn, 1, "The flash flickers");

constexpr FieldSpec flickerExposure =
    choiceField("exposure", "Exposure kick flickers", offOn, 0, "The exposure kick flickers");
constexpr FieldSpec flickerImpact =
    choiceField("impact", "Impact frames flicker", offOn, 0, "Impact frames are on these frames only");
constexpr FieldSpec flickerDefocus = choiceField("defocus", "Defocus flickers", offOn, 0, "The defocus flickers");
constexpr FieldSpec flickerRipple = choiceField("ripple", "Ripple flickers", offOn, 0, "The ripple flickers");
constexpr FieldSpec flickerGrain = choiceField("grain", "Grain flickers", offOn, 0, "The grain flickers");

constexpr FieldSpec layerX{"x", "x", "px", -32768, 32768, 0, 1, "From the middle of the frame to the right"};
constexpr FieldSpec layerY{"y", "y", "px", -32768, 32768, 0, 1, "From the middle of the frame downwards"};
constexpr FieldSpec layerSize{"size", "Size", "%", 0.01, 20, 1, 0.05, "Size against the picture's own pixels"};
constexpr FieldSpec layerOpacity{"opacity", "Opacity", "%", 0, 1, 1, 0.05, "How much of it is seen"};
constexpr FieldSpec layerDepth{"depth", "Depth", "x", 0,
                               4,       1,       0.1, "1 moves with the shot, 0 stands still, 2 moves twice as much"};
constexpr FieldSpec layerHidden = choiceField("hidden", "Hidden", offOn, 0, "Not shown");

/// The values of one effect, their keys behind its name.
template <auto effect>
class EffectFields {
public:
    EffectFields(FieldTable<Effects>& table, std::string_view name) : table_(table), prefix_(std::string(name) + ".") {}
    template <auto... path>
    EffectFields& with(const FieldSpec& spec)
    {
        // Keys of a table stay as long as the program runs.
        static const std::string key = prefix_ + std::string(spec.key);
        table_.template add<At<effect, path...>>(spec, nullptr, key);
        return *this;
    }
    template <auto course>
    EffectFields& withCourse(const FieldSpec& rise, const FieldSpec& fall, const FieldSpec& hold = stay)
    {
        return with<course, &Course::by>(courseBy)
            .template with<course, &Course::rise>(rise)
            .template with<course, &Course::hold>(hold)
            .template with<course, &Course::fall>(fall);
    }

private:
    FieldTable<Effects>& table_;
    std::string prefix_;
};

} // namespace

namespace layerfield {
const FieldSpec in{"in", "In", "frames", 0, 100'000'000, 0, 1, "First frame it is seen on", {}, true};
const FieldSpec length{"length", "For", "frames", 1, 100'000'000, 240, 1, "Frames it is seen for", {}, true};
} // namespace layerfield

template <>
std::span<const FieldOf<Finish>> fieldsOf<Finish>()
{
    static const auto fields = FieldTable<Finish>()
                                   .with<&Finish::edges>(edges)
                                   .with<&Finish::cover>(cover)
                                   .with<&Finish::coverBars>(coverBars)
                                   .with<&Finish::coverSpeed>(coverSpeed)
                                   .with<&Finish::shutterAngle>(shutterAngle)
                                   .with<&Finish::exposureShift>(exposure)
                                   .with<&Finish::instants>(instants)
                                   .with<&Finish::blurAbove>(blurAbove)
                                   .with<&Finish::rolling>(rolling)
                                   .with<&Finish::letterbox>(letterbox)
                                   .with<&Finish::shown, &ShownEffects::blur>(showBlur)
                                   .with<&Finish::shown, &ShownEffects::streak>(showStreak)
                                   .with<&Finish::shown, &ShownEffects::radial>(showRadial)
                                   .with<&Finish::shown, &ShownEffects::fringe>(showFringe)
                                   .with<&Finish::shown, &ShownEffects::flash>(showFlash)
                                   .with<&Finish::shown, &ShownEffects::exposure>(showExposure)
                                   .with<&Finish::shown, &ShownEffects::impact>(showImpact)
                                   .with<&Finish::shown, &ShownEffects::defocus>(showDefocus)
                                   .with<&Finish::shown, &ShownEffects::ripple>(showRipple)
                                   .with<&Finish::shown, &ShownEffects::grain>(showGrain)
                                   .with<&Finish::shown, &ShownEffects::flicker>(showFlicker)
                                   .with<&Finish::shown, &ShownEffects::layers>(showLayers)
                                   .done();
    return fields;
}

template <>
std::span<const FieldOf<Effects>> fieldsOf<Effects>()
{
    static const auto fields = [] {
        FieldTable<Effects> table;
        EffectFields<&Effects::streak>(table, "streak")
            .with<&Streak::length>(streakLength)
            .with<&Streak::toward>(streakToward)
            .with<&Streak::angle>(streakAngle)
            .withCourse<&Streak::course>(riseOfOne, streakFall);
        EffectFields<&Effects::radial>(table, "radial")
            .with<&RadialStreak::length>(radialLength)
            .with<&RadialStreak::x>(radialX)
            .with<&RadialStreak::y>(radialY)
            .withCourse<&RadialStreak::course>(riseOfOne, radialFall);
        EffectFields<&Effects::fringe>(table, "fringe")
            .with<&Fringe::amount>(fringeAmount)
            .with<&Fringe::toward>(fringeToward)
            .with<&Fringe::angle>(fringeAngle)
            .withCourse<&Fringe::course>(riseOfNone, fringeFall);
        EffectFields<&Effects::flash>(table, "flash")
            .with<&Flash::strength>(flashStrength)
            .with<&Flash::colour>(flashColour)
            .with<&Flash::blend>(flashBlend)
            .withCourse<&Flash::course>(riseOfNone, flashFall);
        EffectFields<&Effects::exposure>(table, "exposure")
            .with<&ExposureKick::stops>(exposureStops)
            .withCourse<&ExposureKick::course>(riseOfNone, exposureFall);
        EffectFields<&Effects::impact>(table, "impact")
            .with<&ImpactFrame::strength>(impactStrength)
            .with<&ImpactFrame::look>(impactLook)
            .with<&ImpactFrame::threshold>(impactThreshold)
            .with<&ImpactFrame::softness>(impactSoftness)
            .with<&ImpactFrame::dark>(impactDark)
            .with<&ImpactFrame::light>(impactLight)
            .withCourse<&ImpactFrame::course>(riseOfNone, impactFall, impactStay);
        EffectFields<&Effects::defocus>(table, "defocus")
            .with<&Defocus::radius>(defocusRadius)
            .withCourse<&Defocus::course>(riseOfNone, defocusFall);
        EffectFields<&Effects::ripple>(table, "ripple")
            .with<&Ripple::amount>(rippleAmount)
            .with<&Ripple::from>(rippleFrom)
            .with<&Ripple::x>(radialX)
            .with<&Ripple::y>(radialY)
            .with<&Ripple::speed>(rippleSpeed)
            .with<&Ripple::width>(rippleWidth)
            .withCourse<&Ripple::course>(riseOfNone, rippleFall, rippleStay);
        EffectFields<&Effects::grain>(table, "grain")
            .with<&GrainBurst::amount>(grainAmount)
            .with<&GrainBurst::size>(grainSize)
            .with<&GrainBurst::colour>(grainColour)
            .withCourse<&GrainBurst::course>(riseOfNone, grainFall, grainStay);
        EffectFields<&Effects::flicker>(table, "flicker")
            .with<&Flicker::every>(flickerEvery)
            .with<&Flicker::count>(flickerCount)
            .with<&Flicker::streak>(flickerStreak)
            .with<&Flicker::radial>(flickerRadial)
            .with<&Flicker::fringe>(flickerFringe)
            .with<&Flicker::flash>(flickerFlash)
            .with<&Flicker::exposure>(flickerExposure)
            .with<&Flicker::impact>(flickerImpact)
            .with<&Flicker::defocus>(flickerDefocus)
            .with<&Flicker::ripple>(flickerRipple)
            .with<&Flicker::grain>(flickerGrain);
        return table.done();
    }();
    return fields;
}

template <>
std::span<const FieldOf<Layer>> fieldsOf<Layer>()
{
    static const auto fields = FieldTable<Layer>()
                                   .with<&Layer::in>(layerfield::in)
                                   .with<&Layer::length>(layerfield::length)
                                   .with<&Layer::x>(layerX)
                                   .with<&Layer::y>(layerY)
                                   .with<&Layer::size>(layerSize)
                                   .with<&Layer::opacity>(layerOpacity)
                                   .with<&Layer::depth>(layerDepth)
                                   .addAxes<At<&Layer::axis>>(axisSwitches())
                                   .with<&Layer::hidden>(layerHidden)
                                   .done();
    return fields;
}

} // namespace ember
