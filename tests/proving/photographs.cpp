// SPDX-License-Identifier: GPL-3.0-or-later
#include "photographs.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <filesystem>

#include <opencv2/imgproc.hpp>

#include <QImage>

#include "ember/image/colour_space.h"

namespace ember::proving {

namespace {

constexpr int longestSide = 1600;

struct Listed {
    const char* name;
    Share share;
};
/// Photographs, not drawings; of those of one photographer all in one share.
constexpr std::array<Listed, 25> listed{{
    {"Bridge_by_Sander_Klootwijk.jpg", Share::tuning},
    {"Fossa_by_Jasper_Roks.jpg", Share::tuning},
    {"Infinite-Sea_by_Aury88.jpg", Share::tuning},
    {"Kleiber_by_Lukas_Baubkus.jpg", Share::tuning},
    {"Picture_0B_by_freespace.jpg", Share::tuning},
    {"Picture_1A_by_freespace.jpg", Share::tuning},
    {"Wine_by_Jakkub_Mede.jpg", Share::tuning},
    {"mate/nature/Dune.jpg", Share::tuning},
    {"mate/nature/Garden.jpg", Share::tuning},
    {"mate/nature/LadyBird.jpg", Share::tuning},
    {"mate/nature/RainDrops.jpg", Share::tuning},
    {"mate/nature/Storm.jpg", Share::tuning},
    {"mate/nature/YellowFlower.jpg", Share::tuning},
    {"aitzgorri_by_Aitzol_Berasategi.jpg", Share::unseen},
    {"friends_by_Aitzol_Berasategi.jpg", Share::unseen},
    {"life_by_Aitzol_Berasategi.jpg", Share::unseen},
    {"picosdeeuropa_by_Aitzol_Berasategi.jpg", Share::unseen},
    {"sunset_by_Aitzol_Berasategi.jpg", Share::unseen},
    {"seeding_by_Clements_Engelhardt.jpg", Share::unseen},
    {"umang_by_Abhishek_Mudgal.jpg", Share::unseen},
    {"mate/abstract/Elephants.jpg", Share::unseen},
    {"mate/nature/FreshFlower.jpg", Share::unseen},
    {"mate/nature/GreenMeadow.jpg", Share::unseen},
    {"mate/nature/TwoWings.jpg", Share::unseen},
    {"mate/nature/Wood.jpg", Share::unseen},
}};

Photograph readPhotograph(const std::string& path)
{
    QImage image(QString::fromStdString(path));
    if (image.isNull())
        return {};
    if (std::max(image.width(), image.height()) > longestSide)
        image = image.scaled(longestSide, longestSide, Qt::KeepAspectRatio, Qt::SmoothTransformation);
    image = image.convertToFormat(QImage::Format_RGB888);
    std::array<float, 256> light{};
    for (std::size_t i = 0; i < light.size(); ++i)
        light[i] = static_cast<float>(lightOfCode(Transfer::srgb, static_cast<double>(i) / 255));
    Photograph out(image.height(), image.width());
    for (int y = 0; y < out.rows; ++y) {
        const uchar* from = image.constScanLine(y);
        for (int x = 0; x < out.cols; ++x)
            out(y, x) = {light[from[3 * x]], light[from[3 * x + 1]], light[from[3 * x + 2]]};
    }
    return out;
}

/// How much of a pixel is covered, from how far inside it lies.
float covers(double inside)
{
    return static_cast<float>(std::clamp(0.5 + inside / 2, 0.0, 1.0));
}

} // namespace

std::vector<std::string> photographsOf(Share share)
{
    namespace fs = std::filesystem;
    const char* told = std::getenv("EMBER_PHOTOGRAPHS");
    const fs::path folder = told != nullptr ? told : "/usr/share/backgrounds";
    std::vector<std::string> paths;
    for (const Listed& one : listed)
        if (one.share == share && fs::exists(folder / one.name))
            paths.push_back((folder / one.name).string());
    return paths;
}

const Photograph& Album::any(Chance& chance)
{
    read_.resize(paths_.size());
    const auto i = static_cast<std::size_t>(chance.oneOf(static_cast<int>(paths_.size())));
    if (read_[i].empty())
        read_[i] = readPhotograph(paths_[i]);
    return read_[i];
}

Cut cutFrom(const Photograph& photograph, Outline outline, int size, Chance& chance)
{
    const int height = size;
    const int width = outline == Outline::person  ? std::max(8, static_cast<int>(size * chance.between(0.3, 0.45)))
                      : outline == Outline::block ? std::max(8, static_cast<int>(size * chance.between(0.6, 1.6)))
                                                  : size;
    // A part of the photograph that is larger than the thing is made smaller, so that there is detail in it.
    const double part =
        std::min({chance.between(1.2, 3.0), photograph.cols / (width + 2.0), photograph.rows / (height + 2.0)});
    const int partWidth = std::max(1, static_cast<int>(width * part));
    const int partHeight = std::max(1, static_cast<int>(height * part));
    const cv::Rect from(chance.oneOf(photograph.cols - partWidth), chance.oneOf(photograph.rows - partHeight),
                        partWidth, partHeight);
    cv::Mat3f light;
    cv::resize(photograph(from), light, {width, height}, 0, 0, cv::INTER_AREA);
    const double gain = chance.between(0.7, 1.5);
    std::array<double, 5> bumps{};
    for (double& bump : bumps)
        bump = chance.between(-0.12, 0.12);
    Cut cut(height, width);
    const double cx = 0.5 * (width - 1), cy = 0.5 * (height - 1);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double u = (x - cx) / (0.5 * width), v = (y - cy) / (0.5 * height);
            double inside = 0; // pixels
            switch (outline) {
            case Outline::ball: inside = (1 - std::hypot(u, v)) * 0.5 * size; break;
            case Outline::block:
                inside = std::min((1 - std::abs(u)) * 0.5 * width, (1 - std::abs(v)) * 0.5 * height);
                break;
            case Outline::blob: {
                const double angle = std::atan2(v, u);
                double reach = 0.8;
                for (std::size_t k = 0; k < bumps.size(); ++k)
                    reach += bumps[k] * std::cos((static_cast<double>(k) + 2) * angle + 7 * bumps[k] * 10);
                inside = (reach - std::hypot(u, v)) * 0.5 * size;
                break;
            }
            case Outline::person: { // a head on a body
                const double head = (0.13 - std::hypot(u * 0.38, v + 0.87)) * 0.5 * size;
                const double wide = v < -0.3 ? 0.9 : 0.9 - 0.35 * (v + 0.3);
                const double body =
                    std::min((wide - std::abs(u)) * 0.5 * width, std::min(v + 0.72, 1 - v) * 0.5 * height);
                inside = std::max(head, body);
                break;
            }
            }
            const float cover = covers(inside);
            // Lit from above, as things are.
            const auto shade = static_cast<float>(gain * (1 - 0.3 * v));
            const cv::Vec3f at = light(y, x) * (shade * cover);
            cut(y, x) = {at[0], at[1], at[2], cover};
        }
    return cut;
}

Cut cloud(float grey, int size, Chance& chance)
{
    cv::Mat1f noise(9, 9);
    for (float& value : noise)
        value = static_cast<float>(chance.between(0.3, 1));
    cv::Mat1f large;
    cv::resize(noise, large, {size, size}, 0, 0, cv::INTER_CUBIC);
    Cut cut(size, size);
    for (int y = 0; y < size; ++y)
        for (int x = 0; x < size; ++x) {
            const double u = (x - 0.5 * (size - 1)) / (0.5 * size), v = (y - 0.5 * (size - 1)) / (0.5 * size);
            const double r = std::hypot(u, v);
            const auto cover =
                static_cast<float>(r < 1 ? std::clamp<double>(large(y, x), 0, 1) * std::pow(1 - r * r, 2) : 0);
            cut(y, x) = {grey * cover, grey * cover, grey * cover, cover};
        }
    return cut;
}

} // namespace ember::proving
