// SPDX-License-Identifier: GPL-3.0-or-later
// Lists of strikes: there and back without loss, and read as people and other programs write them.
#include <cmath>

#include <QTest>

#include "ember/exchange/strike_list.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

StrikeList read(ListFormat format, const char* text, const ListReading& reading = {})
{
    const auto list = strikesFromText(format, text, reading);
    return list ? list.value() : StrikeList();
}

StrikeList someStrikes(int count, FrameRate rate)
{
    test::Random random(9);
    StrikeList list;
    const std::array<const char*, 5> names{"", "Hammer, first blow", "says \"clang\"", "over\ntwo lines", "Hütte"};
    for (int i = 0; i < count; ++i) {
        ListedStrike strike;
        strike.seconds = rate.seconds(random.whole(0, 200000));
        strike.kind = static_cast<StrikeKind>(random.whole(0, 3));
        strike.name = names[static_cast<std::size_t>(random.whole(0, 4))];
        strike.strength = random.between(0, 4);
        if (random.whole(0, 1) == 0)
            strike.direction = random.between(-360, 360);
        if (random.whole(0, 1) == 0)
            strike.seed = static_cast<std::uint32_t>(random.bits());
        if (random.whole(0, 2) == 0)
            strike.place = Place{WorldPoint{random.between(-99, 99), random.between(-9, 9), random.between(-99, 99)}};
        if (random.whole(0, 2) == 0) {
            strike.recipe = names[static_cast<std::size_t>(random.whole(1, 4))];
            strike.values["envelope.decay"] = random.between(1, 90);
            strike.values["strand.Noise, \"deep\".amount.x"] = random.between(0, 90);
        }
        list.push_back(strike);
    }
    return list;
}

/// "4d54 6864" as what it stands for.
std::string bytes(const char* hex)
{
    return QByteArray::fromHex(QByteArray(hex).replace(" ", "")).toStdString();
}

} // namespace

class StrikeListTest : public QObject {
    Q_OBJECT
private slots:
    void thereAndBack()
    {
        for (const FrameRate rate : {FrameRate(), *FrameRate::make(30000, 1001), *FrameRate::make(60, 1)}) {
            const StrikeList list = someStrikes(200, rate);
            for (const ListFormat format : {ListFormat::csv, ListFormat::json, ListFormat::jsonLines}) {
                const auto back = strikesFromText(format, strikesToText(format, list, rate), {rate, {}});
                QVERIFY2(back, back ? "" : back.error().detail.said().c_str());
                QVERIFY(back.value() == list);
            }
            // Markers come in the order of time, on their frames.
            StrikeList sorted = list;
            std::stable_sort(sorted.begin(), sorted.end(), [](auto& a, auto& b) { return a.seconds < b.seconds; });
            auto markers = strikesFromText(ListFormat::otio, strikesToText(ListFormat::otio, list, rate), {});
            QVERIFY(markers && markers->size() == sorted.size());
            for (std::size_t i = 0; i < sorted.size(); ++i) {
                QCOMPARE(std::llround(rate.frames(markers.value()[i].seconds)),
                         std::llround(rate.frames(sorted[i].seconds)));
                QVERIFY(std::abs(markers.value()[i].seconds - sorted[i].seconds) < 1e-9);
                QVERIFY(markers.value()[i].recipe == sorted[i].recipe && markers.value()[i].values == sorted[i].values);
            }
        }
    }
    void cuesGoThereAndBackToTheThousandth()
    {
        StrikeList list = someStrikes(100, FrameRate());
        const auto back = strikesFromText(ListFormat::vtt, strikesToText(ListFormat::vtt, list, FrameRate()), {});
        QVERIFY(back);
        QCOMPARE(back->size(), list.size());
        for (std::size_t i = 0; i < list.size(); ++i) {
            const ListedStrike& strike = back.value()[i];
            QVERIFY(std::abs(strike.seconds - list[i].seconds) <= 0.0005 + 1e-9);
            QCOMPARE(strike.kind, list[i].kind);
            QVERIFY(std::abs(strike.strength - list[i].strength) <= 0.005 + 1e-9);
        }
    }
    void foreignHeadingsAreUnderstood()
    {
        const StrikeList list = read(ListFormat::csv, "\xEF\xBB\xBF"
                                                      "Time (s);Label;Level\r\n1,5;x;\r\n");
        QVERIFY(list.empty()); // a comma for a point is not a number: told, not guessed
        const StrikeList tabs = read(ListFormat::csv, "Time (s)\tLabel\tLevel\n1.5\tfirst\t80 %\n\n 2\tsecond\t\n");
        QCOMPARE(tabs.size(), std::size_t{2});
        QCOMPARE(tabs[0].seconds, 1.5);
        QCOMPARE(tabs[0].name, std::string("first"));
        QCOMPARE(tabs[0].strength, 0.8);
        QCOMPARE(tabs[1].strength, 1.0);
        const StrikeList mapped = read(ListFormat::csv, "Was,Wann\nKlang,00:00:02:12\n",
                                       {*FrameRate::make(25, 1), {{"name", "Was"}, {"timecode", "Wann"}}});
        QCOMPARE(mapped.at(0).seconds, 2.48);
        QCOMPARE(mapped.at(0).name, std::string("Klang"));
        const StrikeList json = read(ListFormat::json, R"([{"onset": 0.25, "type": "beat"}, {"frame": 48}])");
        QCOMPARE(json.at(0).kind, StrikeKind::beat);
        QCOMPARE(json.at(1).seconds, 2.0);
    }
    void framesCountAtTheListsRate()
    {
        const StrikeList list = read(ListFormat::csv, "frame,kind\n50,landing\n", {*FrameRate::make(25, 1), {}});
        QCOMPARE(list.at(0).seconds, 2.0);
        // Seconds are more exact than the frame beside them.
        QCOMPARE(read(ListFormat::csv, "frame,seconds\n50,2.01\n").at(0).seconds, 2.01);
    }
    void timesAreClocksOrTimecodes_data()
    {
        QTest::addColumn<QString>("text");
        QTest::addColumn<double>("seconds");
        QTest::addRow("clock") << "00:01:02.500" << 62.5;
        QTest::addRow("short clock") << "01:02,25" << 62.25;
        QTest::addRow("timecode") << "00:01:02:12" << 62.5;
        QTest::addRow("hours") << "01:00:00:00" << 3600.0;
    }
    void timesAreClocksOrTimecodes()
    {
        QFETCH(QString, text);
        QFETCH(double, seconds);
        const std::string csv = "timecode;kind\n" + text.toStdString() + ";hit\n";
        QCOMPARE(read(ListFormat::csv, csv.c_str()).at(0).seconds, seconds);
    }
    void cuesOfOthersAreHits()
    {
        const StrikeList list =
            read(ListFormat::vtt, "WEBVTT - foundry\n\nNOTE nothing\n\nfirst\n00:01.000 --> 00:02.000 "
                                  "align:start\nThe hammer falls\n\n00:00:03.500 --> "
                                  "00:00:04.000\nblast 120 % Ladle bursts\n");
        QCOMPARE(list.size(), std::size_t{2});
        QCOMPARE(list[0].seconds, 1.0);
        QCOMPARE(list[0].name, std::string("The hammer falls"));
        QCOMPARE(list[0].kind, StrikeKind::hit);
        QCOMPARE(list[1].kind, StrikeKind::blast);
        QCOMPARE(list[1].strength, 1.2);
        QCOMPARE(list[1].name, std::string("Ladle bursts"));
    }
    void markersStandOnTheWholeTimeline()
    {
        // A track of a gap of a second and a clip that begins five seconds into its medium; the clip's marker at 5.5 is
        // half a second into it. A second track is trimmed by a quarter; the stack has a marker of its own.
        const StrikeList list = read(ListFormat::otio, R"({"OTIO_SCHEMA": "Timeline.1", "tracks": {
            "OTIO_SCHEMA": "Stack.1", "markers": [{"OTIO_SCHEMA": "Marker.2", "name": "whole", "marked_range":
              {"start_time": {"value": 96, "rate": 24}, "duration": {"value": 0, "rate": 24}}}],
            "children": [
              {"OTIO_SCHEMA": "Track.1", "children": [
                {"OTIO_SCHEMA": "Gap.1", "source_range": {"start_time": {"value": 0, "rate": 24},
                                                          "duration": {"value": 24, "rate": 24}}},
                {"OTIO_SCHEMA": "Transition.1", "in_offset": {"value": 3, "rate": 24}},
                {"OTIO_SCHEMA": "Clip.2", "source_range": {"start_time": {"value": 125, "rate": 25},
                                                           "duration": {"value": 50, "rate": 25}},
                 "markers": [{"OTIO_SCHEMA": "Marker.2", "name": "in the clip", "metadata": {"vast-ember":
                   {"kind": "landing", "strength": 0.5}}, "marked_range":
                   {"start_time": {"value": 5.5, "rate": 1}, "duration": {"value": 0, "rate": 1}}}]}]},
              {"OTIO_SCHEMA": "Track.1", "source_range": {"start_time": {"value": 6, "rate": 24},
                                                          "duration": {"value": 48, "rate": 24}},
               "children": [{"OTIO_SCHEMA": "Clip.1", "media_reference": {"available_range":
                  {"start_time": {"value": 0, "rate": 24}, "duration": {"value": 240, "rate": 24}}},
                 "markers": [{"OTIO_SCHEMA": "Marker.1", "name": "trimmed", "marked_range":
                   {"start_time": {"value": 24, "rate": 24}, "duration": {"value": 0, "rate": 24}}}]}]}]}})");
        QCOMPARE(list.size(), std::size_t{3});
        QCOMPARE(list[0].name, std::string("trimmed"));
        QCOMPARE(list[0].seconds, 0.75);
        QCOMPARE(list[1].name, std::string("in the clip"));
        QCOMPARE(list[1].seconds, 1.5);
        QCOMPARE(list[1].kind, StrikeKind::landing);
        QCOMPARE(list[1].strength, 0.5);
        QCOMPARE(list[2].seconds, 4.0);
        // Stacks that never end are refused, not followed.
        std::string deep;
        for (int i = 0; i < 500; ++i)
            deep += R"({"OTIO_SCHEMA": "Stack.1", "children": [)";
        for (int i = 0; i < 500; ++i)
            deep += "]}";
        QVERIFY(!strikesFromText(ListFormat::otio, deep, {}));
    }
    void badListsSayWhere_data()
    {
        QTest::addColumn<int>("format");
        QTest::addColumn<QString>("text");
        QTest::addColumn<QString>("where");
        const auto row = [](const char* name, ListFormat format, const char* text, const char* where) {
            QTest::addRow("%s", name) << static_cast<int>(format) << text << where;
        };
        row("empty", ListFormat::csv, "", "The list");
        row("no time", ListFormat::csv, "name,kind\nx,hit\n", "line 1");
        row("negative", ListFormat::csv, "frame\n10\n-3\n", "line 3");
        row("not a number", ListFormat::csv, "seconds,name\n1,a\n\nsoon,b\n", "line 4");
        row("nan", ListFormat::csv, "seconds\nnan\n", "line 2");
        row("endless", ListFormat::csv, "seconds\n1e300\n", "line 2");
        row("kind", ListFormat::csv, "frame,kind\n1,bump\n", "line 2");
        row("strength", ListFormat::csv, "frame,strength\n1,1900%\n", "line 2");
        row("no value", ListFormat::csv, "frame,kind\n,hit\n", "line 2");
        row("open quote", ListFormat::csv, "frame,name\n1,\"never closed\n2,x\n", "line 2");
        row("values", ListFormat::csv, "frame,values\n1,decay 20\n", "line 2");
        row("values of words", ListFormat::json, "[{\"frame\": 1, \"values\": {\"a\": \"b\"}}]", "entry 1");
        row("timecode", ListFormat::csv, "timecode\n00:00:61:00\n", "line 2");
        row("frames of it", ListFormat::csv, "timecode\n00:00:01:24\n", "line 2");
        row("broken JSON", ListFormat::json, "[{\"frame\": 1", "The list");
        row("no list", ListFormat::json, "{\"frames\": 1}", "The list");
        row("no object", ListFormat::json, "[{\"frame\": 1}, 7]", "entry 2");
        row("seed", ListFormat::json, "[{\"frame\": 1, \"seed\": -4}]", "entry 1");
        row("broken timeline", ListFormat::otio, R"({"OTIO_SCHEMA": "Timeline.1", "tracks": {)", "The list");
        row("no schema", ListFormat::otio, "[1, 2]", "The list");
        row("marker", ListFormat::otio,
            R"({"OTIO_SCHEMA": "Stack.1", "markers": [{"marked_range": {"start_time": {"value": 1, "rate": 0}}}]})",
            "marker 1");
        row("before the start", ListFormat::otio,
            R"({"OTIO_SCHEMA": "Stack.1", "markers": [{"marked_range": {"start_time": {"value": -9, "rate": 24}}}]})",
            "marker 1");
        row("no cues", ListFormat::vtt, "1\n00:01.000 --> 00:02.000\n", "line 1");
        row("cue time", ListFormat::vtt, "WEBVTT\n\nsoon --> 00:02.000\nhit\n", "line 3");
    }
    void badListsSayWhere()
    {
        QFETCH(int, format);
        QFETCH(QString, text);
        QFETCH(QString, where);
        const auto list = strikesFromText(static_cast<ListFormat>(format), text.toStdString(), {});
        QVERIFY(!list);
        QCOMPARE(QString::fromStdString(list.error().subject.said()), where);
        QVERIFY(!list.error().detail.empty());
    }
    void mutilatedListsAreReadOrRefused()
    {
        test::Random random(77);
        const StrikeList list = someStrikes(12, FrameRate());
        int read = 0;
        for (const ListFormat format : {ListFormat::csv, ListFormat::json, ListFormat::vtt, ListFormat::otio,
                                        ListFormat::midi, ListFormat::jsonLines})
            for (int i = 0; i < 1500; ++i) {
                std::string text = strikesToText(format, list, FrameRate());
                for (int cut = random.whole(1, 4); cut > 0; --cut) {
                    const auto at = static_cast<std::size_t>(random.whole(0, static_cast<int>(text.size()) - 1));
                    if (random.whole(0, 2) == 0)
                        text.erase(at, static_cast<std::size_t>(random.whole(1, 40)));
                    else
                        text[at] = "0-9.,:;\"{}[]\n%eE\\x"[static_cast<std::size_t>(random.whole(0, 18))];
                    if (text.empty())
                        break;
                }
                const auto back = strikesFromText(format, text, {});
                read += back ? 1 : 0;
                if (!back)
                    QVERIFY(!back.error().subject.empty() && !back.error().detail.empty());
                else
                    for (const ListedStrike& strike : back.value())
                        QVERIFY(strike.seconds >= 0 && strike.seconds <= 1e6 && strike.strength >= 0 &&
                                strike.strength <= 10);
            }
        QVERIFY2(read > 700 && read < 8000, qPrintable(QString::number(read)));
    }
    void notesAreStrikes()
    {
        // Two tracks: a tempo map (120, then 60 BPM from the third quarter on), and notes at quarters 0, 1, 2, 3.
        const std::string file =
            bytes("4d546864 00000006 0001 0002 01e0"                              // format 1, 480 a quarter
                  "4d54726b 00000013 00 ff510307a120 8740 ff51030f4240 00 ff2f00" // at 960 ticks: 60 BPM
                  "4d54726b 0000001f 00 992464 00 992650 8360 892400 00 992400 8360 99247f 8360 9924 20 00ff2f00");
        const auto list = strikesFromText(ListFormat::midi, file, {});
        QVERIFY2(list, list ? "" : sentence(list.error()).c_str());
        QCOMPARE(list->size(), std::size_t{3}); // two notes at once are one; those without velocity are ends
        QCOMPARE(list.value()[0].seconds, 0.0);
        QCOMPARE(list.value()[0].strength, 1.0); // the louder of them
        QCOMPARE(list.value()[0].kind, StrikeKind::beat);
        QCOMPARE(list.value()[1].seconds, 1.0); // 960 ticks at 120 BPM
        QCOMPARE(list.value()[1].strength, 1.27);
        QCOMPARE(list.value()[2].seconds, 2.0); // a quarter at 60
        // As a player has them, chords are chords.
        const auto notes = notesFromMidi(file);
        QVERIFY(notes);
        QCOMPARE(notes.value(), (std::vector<PlayedNote>{{0, 36, 1}, {0, 38, 0.8}, {1, 36, 1.27}, {2, 36, 0.32}}));
        QVERIFY(!notesFromMidi(file.substr(0, 30)));
        // Its beats: at 120 BPM for two quarters, then at 60.
        const auto score = beatsFromMidi(file);
        QVERIFY(score && score.value());
        const BeatGrid& grid = score.value()->grid;
        QCOMPARE(grid.pins, (std::vector<BeatPin>{{2, 1}}));
        QCOMPARE(grid.at(1), 0.5);
        QCOMPARE(grid.at(3), 2.0);
        QCOMPARE(grid.bpm, 60.0);
        QVERIFY(!beatsFromMidi(file.substr(0, 30)));
    }
    void aScoresBeatsAreItsTempoMap()
    {
        const auto scoreOf = [](const char* track, const char* division = "01e0") {
            const std::string data = bytes(track);
            std::string size(4, '\0');
            size[3] = static_cast<char>(data.size());
            return beatsFromMidi(bytes("4d546864 00000006 0000 0001") + bytes(division) + "MTrk" + size + data);
        };
        // Three quarters a bar; at 720 ticks, between two quarters, from 120 to 60 BPM.
        const auto waltz = scoreOf("00 ff580403021808 00 ff510307a120 8550 ff51030f4240 8740 ff2f00");
        QVERIFY(waltz && waltz.value());
        const BeatGrid& grid = waltz.value()->grid;
        QCOMPARE(grid.barBeats, 3);
        QCOMPARE(grid.pins, (std::vector<BeatPin>{{1, 0.5}, {2, 1.25}}));
        QCOMPARE(grid.at(3), 2.25);
        QCOMPARE(waltz.value()->seconds, 2.75);
        // Six eighths are three quarters, seven are no whole number of them.
        QCOMPARE(scoreOf("00 ff580406031808 00 ff510307a120 00 ff2f00").value()->grid.barBeats, 3);
        QCOMPARE(scoreOf("00 ff580407031808 00 ff510307a120 00 ff2f00").value()->grid.barBeats, 4);
        // No tempo, and time code instead of quarters.
        QVERIFY(!scoreOf("00 992464 00 ff2f00").value());
        QVERIFY(!scoreOf("00 ff510307a120 00 ff2f00", "e728").value());
        // 600 BPM is none that a grid has.
        const auto fast = scoreOf("00 ff51030186a0 00 ff2f00");
        QVERIFY(!fast);
        QVERIFY(sentence(fast.error()).find("400") != std::string::npos);
    }
    void positionsAreMetresOrPointsOfThePicture()
    {
        auto list = read(ListFormat::csv, "frame,position\n3,1.5:-2:30\n4,picture:0.25:0.75:12\n5,\n");
        QCOMPARE(list.size(), std::size_t{3});
        QVERIFY(list[0].place == Place{(WorldPoint{1.5, -2, 30})});
        QVERIFY(list[1].place == Place{(PicturePoint{0.25, 0.75, 12})});
        QVERIFY(!list[2].place);
        list = read(ListFormat::jsonLines, R"({"time": 1, "position": [3, 0, -4.5]})");
        QVERIFY(list.at(0).place == Place{(WorldPoint{3, 0, -4.5})});
        for (const char* wrong : {"1:2", "[1,2]", "a:b:c", "1:2:1e9", "picture:0.5:0.5:-3"})
            QVERIFY2(!strikesFromText(ListFormat::csv, std::string("frame,position\n3,") + "\"" + wrong + "\"\n", {}),
                     wrong);
    }
    void midiGoesThereAndBack()
    {
        for (const FrameRate rate : {FrameRate(), *FrameRate::make(30000, 1001)}) {
            StrikeList list = someStrikes(60, rate);
            std::stable_sort(list.begin(), list.end(), [](auto& a, auto& b) { return a.seconds < b.seconds; });
            list.erase(std::unique(list.begin(), list.end(), [](auto& a, auto& b) { return a.seconds == b.seconds; }),
                       list.end());
            const auto back = strikesFromText(ListFormat::midi, strikesToText(ListFormat::midi, list, rate), {});
            QVERIFY2(back, back ? "" : sentence(back.error()).c_str());
            QCOMPARE(back->size(), list.size());
            for (std::size_t i = 0; i < list.size(); ++i) {
                QCOMPARE(std::llround(rate.frames(back.value()[i].seconds)),
                         std::llround(rate.frames(list[i].seconds)));
                QCOMPARE(back.value()[i].kind, list[i].kind);
                QVERIFY(std::abs(back.value()[i].strength - list[i].strength) < 0.0051);
            }
        }
    }
    void midiCutShortIsTold()
    {
        const std::string whole = strikesToText(ListFormat::midi, someStrikes(5, FrameRate()), FrameRate());
        for (std::size_t length = 0; length < whole.size(); ++length) {
            const auto list = strikesFromText(ListFormat::midi, whole.substr(0, length), {});
            QVERIFY(!list);
            QVERIFY2(list.error().subject.said().find("byte") != std::string::npos,
                     list.error().subject.said().c_str());
        }
        QVERIFY(strikesFromText(ListFormat::midi, whole, {}));
    }
    void linesOfASimulatorAreStrikes()
    {
        const auto list = strikesFromText(ListFormat::jsonLines,
                                          "{\"time\": 0.5, \"energy\": 100, \"place\": {\"x\": 0.1, \"y\": 0.5}}\n\n"
                                          "{\"time\": 1, \"energy\": 25, \"kind\": \"landing\", \"direction\": 90}\n"
                                          "{\"frame\": 48, \"strength\": 0.3, \"energy\": 1}\n",
                                          {});
        QVERIFY(list && list->size() == 3);
        QCOMPARE(list.value()[0].strength, 1.0);
        QCOMPARE(list.value()[0].direction, std::optional(0.0)); // away from the place at the left
        QCOMPARE(list.value()[1].strength, 0.5);
        QCOMPARE(list.value()[1].kind, StrikeKind::landing);
        QCOMPARE(list.value()[2].strength, 0.3); // told outright
        QCOMPARE(list.value()[2].seconds, 2.0);
        const auto broken = strikesFromText(ListFormat::jsonLines, "{\"time\": 1}\n{\"time\": }\n", {});
        QVERIFY(!broken);
        QCOMPARE(broken.error().subject.said(), std::string("line 2"));
    }
    void columnsAreNamedAndMayBeLeftOut()
    {
        const auto columns = columnsOf(ListFormat::csv, "Time (s);Cue;Level\n1;a;0.5\n");
        QCOMPARE(columns.size(), std::size_t{3});
        QCOMPARE(columns[0].takenFor, std::string("seconds"));
        QCOMPARE(columns[1].name, std::string("Cue"));
        QVERIFY(columns[1].takenFor.empty());
        QCOMPARE(columnsOf(ListFormat::jsonLines, "{\"time\": 1, \"label\": \"a\"}\n{\"x\": 2}").size(),
                 std::size_t{2});
        QVERIFY(columnsOf(ListFormat::vtt, "WEBVTT").empty());
        const auto list =
            strikesFromText(ListFormat::csv, "seconds,strength\n1,0.5\n", {FrameRate(), {{"strength", ""}}});
        QVERIFY(list && list->size() == 1);
        QCOMPARE(list.value()[0].strength, 1.0); // left out, though it is there
    }
    void foreignColumnsThatAreNotThere()
    {
        const auto list = strikesFromText(ListFormat::csv, "a,b\n1,2\n", {FrameRate(), {{"frame", "c"}}});
        QVERIFY(!list);
        QCOMPARE(list.error().subject.said(), std::string("frame=c"));
        QVERIFY(!strikesFromText(ListFormat::csv, "a,b\n1,2\n", {FrameRate(), {{"colour", "a"}}}));
    }
    void endingsTellTheFormat()
    {
        QCOMPARE(listFormatOf("a/b.CSV"), std::optional(ListFormat::csv));
        QCOMPARE(listFormatOf("b.vtt"), std::optional(ListFormat::vtt));
        QVERIFY(!listFormatOf("b.txt") && !listFormatOf("csv"));
    }
};

EMBER_TEST(StrikeListTest)
#include "tst_strike_list.moc"
