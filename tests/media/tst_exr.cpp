// SPDX-License-Identifier: GPL-3.0-or-later
// OpenEXR in and out: what the pictures hold is known from formulas, the files are made by the library itself.
#include <cmath>
#include <fstream>
#include <limits>

#include <ImathBox.h>
#include <ImfChannelList.h>
#include <ImfChromaticitiesAttribute.h>
#include <ImfFrameBuffer.h>
#include <ImfHeader.h>
#include <ImfMultiPartOutputFile.h>
#include <ImfOutputFile.h>
#include <ImfOutputPart.h>
#include <ImfPartType.h>
#include <ImfStandardAttributes.h>
#include <ImfStringAttribute.h>
#include <ImfTiledOutputFile.h>

#include <QFile>
#include <QRect>
#include <QTemporaryDir>
#include <QTest>

#include "ember/media/clip.h"
#include "ember/media/film_writer.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

constexpr int width = 40;
constexpr int height = 24;

/// What a channel holds at a pixel of the display window.
float valueAt(char channel, int x, int y)
{
    const double base = channel == 'R' ? 8 : channel == 'G' ? -0.25 : channel == 'B' ? 12 : 0.5;
    return static_cast<float>(base + x / 64.0 + y / 16.0); // a half holds it
}

using Names = std::vector<std::pair<std::string, char>>; ///< a channel's name and what it holds

/// Pixels of a data window, channel after channel.
struct Planes {
    std::vector<std::vector<float>> values;
    Imf::FrameBuffer buffer;

    Planes(const Names& names, const Imath::Box2i& window, Imf::PixelType)
    {
        const int w = window.max.x - window.min.x + 1;
        const int h = window.max.y - window.min.y + 1;
        for (const auto& [name, holds] : names) {
            auto& plane = values.emplace_back(static_cast<std::size_t>(w * h));
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x)
                    plane[static_cast<std::size_t>(y * w + x)] = valueAt(holds, x + window.min.x, y + window.min.y);
        }
        for (std::size_t i = 0; i < names.size(); ++i) {
            char* base = reinterpret_cast<char*>(values[i].data()) - 4 * (window.min.x + window.min.y * w);
            buffer.insert(names[i].first, Imf::Slice(Imf::FLOAT, base, 4, static_cast<std::size_t>(4 * w)));
        }
    }
};

Imf::Header headerOf(const Names& names, const Imath::Box2i& data)
{
    Imf::Header header(width, height);
    header.dataWindow() = data;
    for (const auto& [name, holds] : names)
        header.channels().insert(name, Imf::Channel(Imf::FLOAT));
    return header;
}

const Imath::Box2i whole({0, 0}, {width - 1, height - 1});
const Names colours{{"R", 'R'}, {"G", 'G'}, {"B", 'B'}};

void write(const std::string& path, const Names& names, const Imath::Box2i& data = whole)
{
    Planes planes(names, data, Imf::FLOAT);
    Imf::OutputFile file(path.c_str(), headerOf(names, data));
    file.setFrameBuffer(planes.buffer);
    file.writePixels(data.max.y - data.min.y + 1);
}

Result<std::unique_ptr<ClipReader>> openedAsStored(const std::string& path)
{
    ClipOptions options;
    options.asStored = true;
    options.neverSequence = true;
    return ClipReader::open(path, options);
}

} // namespace

class ExrTest : public QObject {
    Q_OBJECT
    QTemporaryDir folder_;
    std::string at(const char* name) const { return folder_.filePath(QString::fromLatin1(name)).toStdString(); }

    void holds(const Image& image, int x, int y, char channel)
    {
        const int k = channel == 'R' ? 0 : channel == 'G' ? 1 : channel == 'B' ? 2 : 3;
        QCOMPARE(image.floatAt(x, y)[k], valueAt(channel, x, y));
    }

private slots:
    void lightComesAsItIs()
    {
        write(at("plain.exr"), {{"R", 'R'}, {"G", 'G'}, {"B", 'B'}, {"A", 'A'}});
        const auto clip = openedAsStored(at("plain.exr"));
        QVERIFY2(clip, clip ? "" : clip.error().detail.said().c_str());
        const ClipInfo& info = clip.value()->info();
        QVERIFY(info.width == width && info.height == height && info.alpha && !info.halfFloats);
        QCOMPARE(info.depth, Depth::single);
        QCOMPARE(info.codec, std::string("exr"));
        QVERIFY(info.notes.empty());
        const ImagePtr image = clip.value()->picture(0).value();
        for (const char channel : {'R', 'G', 'B', 'A'})
            for (int y = 0; y < height; ++y)
                for (int x = 0; x < width; ++x)
                    holds(*image, x, y, channel);
        // Without being asked: as a screen shows it.
        ClipOptions alone;
        alone.neverSequence = true;
        const auto shown = ClipReader::open(at("plain.exr"), alone);
        QCOMPARE(shown.value()->picture(0).value()->depth(), Depth::eight);
        QCOMPARE(int{shown.value()->picture(0).value()->at(2, 2)[0]}, 255);
        QCOMPARE(int{shown.value()->picture(0).value()->at(2, 2)[1]}, 0);
    }
    void windowsMayDiffer_data()
    {
        QTest::addColumn<QRect>("data");
        QTest::newRow("inside") << QRect(QPoint(5, 3), QPoint(20, 11));
        QTest::newRow("around") << QRect(QPoint(-7, -2), QPoint(50, 30));
        QTest::newRow("across") << QRect(QPoint(-10, 10), QPoint(12, 40));
        QTest::newRow("apart") << QRect(QPoint(100, 100), QPoint(120, 110));
    }
    void windowsMayDiffer()
    {
        QFETCH(QRect, data);
        write(at("windows.exr"), colours, {{data.left(), data.top()}, {data.right(), data.bottom()}});
        const auto clip = openedAsStored(at("windows.exr"));
        QVERIFY(clip);
        const ImagePtr image = clip.value()->picture(0).value();
        QVERIFY(image->width() == width && image->height() == height);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                QCOMPARE(image->floatAt(x, y)[3], 1.0F);
                if (data.contains(x, y))
                    holds(*image, x, y, 'G');
                else
                    QCOMPARE(image->floatAt(x, y)[1], 0.0F);
            }
    }
    void channelsAreFoundByName()
    {
        write(at("layer.exr"), {{"beauty.R", 'R'}, {"beauty.G", 'G'}, {"beauty.B", 'B'}, {"depth.Z", 'A'}});
        auto clip = openedAsStored(at("layer.exr"));
        QVERIFY(clip);
        holds(*clip.value()->picture(0).value(), 7, 5, 'B');
        // Its own colours before a layer's.
        write(at("both.exr"), {{"R", 'G'}, {"a.R", 'R'}});
        clip = openedAsStored(at("both.exr"));
        QCOMPARE(clip.value()->picture(0).value()->floatAt(3, 3)[0], valueAt('G', 3, 3));
        // Green and blue are missing, which is said.
        QCOMPARE(clip.value()->info().notes.size(), std::size_t{1});
        QVERIFY(clip.value()->info().notes.front().said().find("green, blue") != std::string::npos);
        QCOMPARE(clip.value()->picture(0).value()->floatAt(3, 3)[1], 0.0F);
        write(at("grey.exr"), {{"Y", 'R'}, {"A", 'A'}});
        clip = openedAsStored(at("grey.exr"));
        QVERIFY(clip && clip.value()->info().alpha);
        for (int k = 0; k < 3; ++k)
            QCOMPARE(clip.value()->picture(0).value()->floatAt(9, 9)[k], valueAt('R', 9, 9));
        QCOMPARE(clip.value()->picture(0).value()->floatAt(9, 9)[3], valueAt('A', 9, 9));
        write(at("depth.exr"), {{"Z", 'R'}, {"N.x", 'G'}});
        clip = openedAsStored(at("depth.exr"));
        QVERIFY(!clip);
        QCOMPARE(clip.error().code, ErrorCode::noPicture);
        QVERIFY(clip.error().detail.said().find("N.x, Z") != std::string::npos);
    }
    void theFirstPartWithColoursIsTaken()
    {
        const Names depth{{"Z", 'A'}};
        Imf::Header headers[2] = {headerOf(depth, whole), headerOf(colours, whole)};
        headers[0].setName("depth");
        headers[1].setName("beauty");
        headers[0].setType(Imf::SCANLINEIMAGE);
        headers[1].setType(Imf::SCANLINEIMAGE);
        {
            Imf::MultiPartOutputFile file(at("parts.exr").c_str(), headers, 2);
            for (int i = 0; i < 2; ++i) {
                Planes planes(i == 0 ? depth : colours, whole, Imf::FLOAT);
                Imf::OutputPart part(file, i);
                part.setFrameBuffer(planes.buffer);
                part.writePixels(height);
            }
        }
        const auto clip = openedAsStored(at("parts.exr"));
        QVERIFY(clip);
        holds(*clip.value()->picture(0).value(), 30, 20, 'R');
    }
    void primariesAreKnown()
    {
        const auto withPrimaries = [&](const Imf::Chromaticities& c) {
            Planes planes(colours, whole, Imf::FLOAT);
            Imf::Header header = headerOf(colours, whole);
            Imf::addChromaticities(header, c);
            {
                Imf::OutputFile file(at("primaries.exr").c_str(), header);
                file.setFrameBuffer(planes.buffer);
                file.writePixels(height);
            }
            return openedAsStored(at("primaries.exr"));
        };
        auto clip = withPrimaries({{0.713F, 0.293F}, {0.165F, 0.83F}, {0.128F, 0.044F}, {0.32168F, 0.33767F}});
        QCOMPARE(clip.value()->info().colour.primaries, Primaries::ap1);
        clip = withPrimaries({{0.708F, 0.292F}, {0.17F, 0.797F}, {0.131F, 0.046F}, {0.3127F, 0.329F}});
        QCOMPARE(clip.value()->info().colour.primaries, Primaries::bt2020);
        QVERIFY(clip.value()->info().notes.empty());
        clip = withPrimaries({{0.5F, 0.4F}, {0.3F, 0.6F}, {0.2F, 0.1F}, {0.3F, 0.3F}});
        QCOMPARE(clip.value()->info().colour.primaries, Primaries::bt709);
        QCOMPARE(clip.value()->info().notes.size(), std::size_t{1}); // said aloud
    }
    void whatIsWrittenComesBack_data()
    {
        QTest::addColumn<bool>("halves");
        QTest::addColumn<bool>("alpha");
        for (const bool halves : {true, false})
            for (const bool alpha : {true, false})
                QTest::addRow("%s%s", halves ? "half" : "float", alpha ? ", alpha" : "") << halves << alpha;
    }
    void whatIsWrittenComesBack()
    {
        QFETCH(bool, halves);
        QFETCH(bool, alpha);
        Image image(width, height, Depth::single, {Primaries::displayP3, Transfer::linear});
        image.setOpaque(!alpha);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) {
                for (int k = 0; k < 3; ++k)
                    image.floatAt(x, y)[k] = valueAt("RGB"[k], x, y) * (halves ? 1.0F : 1.0001F);
                image.floatAt(x, y)[3] = alpha ? 0.25F : 1.0F;
            }
        constexpr float infinite = std::numeric_limits<float>::infinity();
        image.floatAt(1, 1)[0] = infinite;
        image.floatAt(1, 1)[1] = -infinite;
        image.floatAt(1, 1)[2] = std::nanf("");
        image.floatAt(2, 1)[2] = -0.0F;
        FilmSettings settings;
        settings.format = FilmFormat::exrSequence;
        settings.width = width;
        settings.height = height;
        settings.rate = *FrameRate::make(24000, 1001);
        settings.alpha = alpha;
        settings.depth = Depth::single;
        settings.halfFloats = halves;
        settings.overwrite = true;
        auto writer = FilmWriter::create(at("out_%03d.exr"), settings);
        QVERIFY(writer && writer.value()->addFrame(image) && writer.value()->finish());
        const auto clip = openedAsStored(at("out_000.exr"));
        QVERIFY(clip);
        QVERIFY(clip.value()->info().halfFloats == halves && clip.value()->info().alpha == alpha);
        QCOMPARE(clip.value()->info().colour.primaries, Primaries::displayP3);
        QVERIFY(samePixels(*clip.value()->picture(0).value(), image));
    }
    void badFilesAreRefused()
    {
        const auto with = [&](const char* name, std::int32_t left, std::int32_t right) {
            // The data window of a good file, overwritten.
            write(at(name), colours);
            std::fstream file(at(name), std::ios::in | std::ios::out | std::ios::binary);
            std::string head(400, '\0');
            file.read(head.data(), 400);
            const auto place = head.find("dataWindow");
            file.seekp(static_cast<std::streamoff>(place + 11 + 6 + 4));
            file.write(reinterpret_cast<const char*>(&left), 4);
            file.seekp(4, std::ios::cur);
            file.write(reinterpret_cast<const char*>(&right), 4);
            file.close();
            return openedAsStored(at(name));
        };
        for (const auto& [left, right] :
             {std::pair{-2'000'000'000, 2'000'000'000}, std::pair{0, 1'000'000'000}, std::pair{10, 0}}) {
            const auto clip = with("absurd.exr", left, right);
            QVERIFY(!clip);
            QVERIFY(!clip.error().detail.said().empty());
        }
        // Cut anywhere it is either refused or told to be damaged, and never worse.
        write(at("whole.exr"), colours);
        QFile from(QString::fromStdString(at("whole.exr")));
        QVERIFY(from.open(QIODevice::ReadOnly));
        const std::string bytes = from.readAll().toStdString();
        test::Random random(3);
        for (int i = 0; i < 60; ++i) {
            std::string bad = bytes;
            if (i % 2 == 0)
                bad.resize(static_cast<std::size_t>(random.whole(1, static_cast<int>(bytes.size()) - 1)));
            else
                for (int n = 0; n < 4; ++n)
                    bad[static_cast<std::size_t>(random.whole(4, static_cast<int>(bytes.size()) - 1))] =
                        static_cast<char>(random.whole(0, 255));
            std::ofstream(at("bad.exr"), std::ios::binary) << bad;
            const auto clip = openedAsStored(at("bad.exr"));
            if (!clip)
                QVERIFY(!clip.error().detail.said().empty() || clip.error().code == ErrorCode::damaged);
            else if (i % 2 == 0)
                QCOMPARE(clip.value()->damage().count, std::int64_t{1});
        }
        // A folder and a pipe are not opened.
        QVERIFY(!openedAsStored(folder_.path().toStdString()));
    }
    void textsAndTimecodeGoThrough()
    {
        FilmSettings settings;
        settings.format = FilmFormat::exrSequence;
        settings.width = width;
        settings.height = height;
        settings.depth = Depth::single;
        settings.rate = *FrameRate::make(24, 1);
        settings.firstNumber = 7;
        settings.timecode = "01:00:59:22";
        // Keys that are the format's own, or too long, or nothing, are left out.
        settings.metadata = {{"owner", "The foundry"},       {"title", "Glüh"}, {"dataWindow", "none"},
                             {"timeCode", "none"},           {"type", "none"},  {"", "none"},
                             {std::string(200, 'k'), "none"}};
        auto writer = FilmWriter::create(at("told_%04d.exr"), settings);
        QVERIFY(writer);
        Image picture(width, height, Depth::single);
        picture.setOpaque(true);
        for (int y = 0; y < height; ++y)
            picture.blacken(0, y, width);
        for (int i = 0; i < 3; ++i)
            QVERIFY(writer.value()->addFrame(picture));
        QVERIFY(writer.value()->finish());
        constexpr std::array<const char*, 3> codes{"01:00:59:22", "01:00:59:23", "01:01:00:00"};
        for (int i = 0; i < 3; ++i) {
            ClipOptions options;
            options.neverSequence = true;
            const auto clip = ClipReader::open(sequenceFile(at("told_%04d.exr"), 7 + i), options);
            QVERIFY2(clip, clip ? "" : sentence(clip.error()).c_str());
            QCOMPARE(clip.value()->info().timecode, std::string(codes[static_cast<std::size_t>(i)]));
            QCOMPARE(clip.value()->info().metadata, (Metadata{{"owner", "The foundry"}, {"title", "Glüh"}}));
        }
        // Drop-frame, and hours that no clock has.
        settings.rate = *FrameRate::make(30000, 1001);
        settings.overwrite = true;
        for (const char* code : {"10:00:00;00", "30:00:00:00"}) {
            settings.timecode = code;
            auto one = FilmWriter::create(at("told_%04d.exr"), settings);
            QVERIFY(one.value()->addFrame(picture) && one.value()->finish());
            ClipOptions alone;
            alone.neverSequence = true;
            const auto clip = ClipReader::open(sequenceFile(at("told_%04d.exr"), 7), alone);
            QCOMPARE(clip.value()->info().timecode, std::string(code[0] == '1' ? code : ""));
        }
    }
};

EMBER_TEST(ExrTest)
#include "tst_exr.moc"
