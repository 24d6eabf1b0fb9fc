// SPDX-License-Identifier: GPL-3.0-or-later
// What comes in from outside: read where it is right, dropped and counted where it is not.
#include <cstring>

#include <QElapsedTimer>
#include <QTest>
#include <QThread>

#include "ember/live/hammer_pattern.h"
#include "ember/live/osc_door.h"
#include "ember/project/board_edits.h"
#include "ember/project/shipped_recipes.h"
#include "pictures.h"
#include "runner.h"

using namespace ember;

namespace {

std::vector<std::byte> bytesOf(std::string_view text)
{
    std::vector<std::byte> bytes(text.size());
    std::memcpy(bytes.data(), text.data(), text.size());
    return bytes;
}

/// A literal with noughts in it, whole.
template <std::size_t N>
std::string_view whole(const char (&text)[N])
{
    return {text, N - 1};
}

std::vector<std::byte> bundleOf(const std::vector<std::vector<std::byte>>& parts)
{
    auto bundle = bytesOf(whole("#bundle\0\0\0\0\0\0\0\0\1"));
    for (const auto& part : parts) {
        for (int shift = 24; shift >= 0; shift -= 8)
            bundle.push_back(static_cast<std::byte>(part.size() >> shift & 0xff));
        bundle.insert(bundle.end(), part.begin(), part.end());
    }
    return bundle;
}

/// Waits until so many datagrams came in, or some seconds.
bool cameIn(const OscListener& listener, std::uint64_t datagrams)
{
    return QTest::qWaitFor([&] { return listener.counts().datagrams >= datagrams; }, test::patience);
}

std::pair<std::unique_ptr<OscListener>, std::unique_ptr<OscSender>> pairOpen()
{
    auto listener = OscListener::open({"127.0.0.1", 0});
    auto sender = OscSender::open({"127.0.0.1", listener.value()->port()});
    return {std::move(listener).value(), std::move(sender).value()};
}

} // namespace

class OscTest : public QObject {
    Q_OBJECT
private slots:
    void messagesComeBackAsTheyWere()
    {
        const std::vector<OscMessage> all{OscStrike{"hit", 0.75},
                                          OscStrike{"Dead weight", 2, 4711},
                                          OscStrike{"blast", 1, 4294967295u},
                                          OscStrike{"landing", 0.5, {}, WorldPoint{1.5, -2, 300}},
                                          OscSettle{0},
                                          OscSettle{24},
                                          OscIntensity{0.5}};
        for (const OscMessage& message : all) {
            const OscRead read = readOsc(writeOsc(message));
            QCOMPARE(read.messages.size(), std::size_t{1});
            QVERIFY(read.messages[0] == message);
            QVERIFY(read.malformed == 0 && read.unknown == 0);
        }
    }
    /// Written out by hand from the specification, so that reader and writer cannot be wrong together.
    void theBytesAreOscs()
    {
        const auto settle = bytesOf(whole("/settle\0,i\0\0\0\0\0\x0c"));
        QVERIFY(readOsc(settle).messages.at(0) == OscMessage(OscSettle{12}));
        const auto strike = bytesOf(whole("/strike\0,sf\0hit\0\x3f\0\0\0"));
        QVERIFY(readOsc(strike).messages.at(0) == OscMessage(OscStrike{"hit", 0.5}));
        QCOMPARE(writeOsc(OscStrike{"hit", 0.5}), strike);
        // A double and a seed of 64 bits.
        const auto wide = bytesOf(whole("/strike\0,sdh\0\0\0\0hit\0\x3f\xe0\0\0\0\0\0\0\0\0\0\0\0\0\0\7"));
        QVERIFY(readOsc(wide).messages.at(0) == OscMessage(OscStrike{"hit", 0.5, 7}));
        MotionSample sample;
        sample.pose.x = 0.5;
        const auto pose = writeOscPose(sample);
        QCOMPARE(pose.size(), std::size_t{8 + 12 + 28});
        QVERIFY(std::memcmp(pose.data(), "/pose\0\0\0,fffffff\0\0\0\0\x3f\0\0\0", 24) == 0);
    }
    void wrongOnesAreCounted_data()
    {
        QTest::addColumn<QByteArray>("bytes");
        QTest::addColumn<int>("malformed");
        QTest::addColumn<int>("unknown");
        const auto row = [](const char* name, std::string_view bytes, int malformed, int unknown = 0) {
            QTest::addRow("%s", name) << QByteArray(bytes.data(), static_cast<qsizetype>(bytes.size())) << malformed
                                      << unknown;
        };
        row("nothing", "", 1);
        row("text", "strike it", 1);
        row("no types", whole("/strike\0"), 1);
        row("another address", whole("/note\0\0\0,i\0\0\0\0\0\1"), 0, 1);
        row("a strength too few", whole("/strike\0,s\0\0hit\0"), 1);
        row("a word for a strength", whole("/strike\0,ss\0hit\0hard\0\0\0\0"), 1);
        row("a value too many", whole("/settle\0,ii\0\0\0\0\1\0\0\0\2"), 1);
        row("a strength too high", whole("/strike\0,sf\0hit\0\x41\xa0\0\0"), 1);
        row("no number", whole("/strike\0,sf\0hit\0\x7f\xc0\0\0"), 1);
        row("infinite", whole("/settle\0,f\0\0\x7f\x80\0\0"), 1);
        row("negative", whole("/intensity\0\0,i\0\0\xff\xff\xff\xff"), 1);
        row("no kind", whole("/strike\0,sf\0\0\0\0\0\x3f\0\0\0"), 1);
        row("cut short", whole("/strike\0,sf\0hit\0\x3f"), 1);
        row("not of four bytes", whole("/settle\0,i\0\0\0\0\0\x0c\0"), 1);
        row("a bundle cut short", whole("#bundle\0\0\0\0\0\0\0\0\1\0\0\0\x40/settle\0"), 1);
        row("an empty part", whole("#bundle\0\0\0\0\0\0\0\0\1\0\0\0\0"), 1);
        row("a part of all sizes", whole("#bundle\0\0\0\0\0\0\0\0\1\xff\xff\xff\xff/a\0\0"), 1);
    }
    void wrongOnesAreCounted()
    {
        QFETCH(QByteArray, bytes);
        const OscRead read =
            readOsc(std::as_bytes(std::span(bytes.constData(), static_cast<std::size_t>(bytes.size()))));
        QVERIFY(read.messages.empty());
        QTEST(static_cast<int>(read.malformed), "malformed");
        QTEST(static_cast<int>(read.unknown), "unknown");
    }
    void bundlesAreOpened()
    {
        const auto one = writeOsc(OscSettle{3});
        const auto two = writeOsc(OscStrike{"hit", 1});
        OscRead read = readOsc(bundleOf({one, bundleOf({two, bytesOf("????")}), one}));
        QCOMPARE(read.messages.size(), std::size_t{3});
        QCOMPARE(read.malformed, std::size_t{1});
        // A bundle in a bundle without an end is not followed down.
        auto deep = one;
        for (int i = 0; i < 20; ++i)
            deep = bundleOf({deep});
        read = readOsc(deep);
        QVERIFY(read.messages.empty() && read.malformed == 1);
        // And one of very many is taken in part.
        read = readOsc(bundleOf(std::vector(200, one)));
        QCOMPARE(read.messages.size(), mostInBundle);
    }
    void aHundredThousandRandomDatagramsDoNothing()
    {
        // Noise, and right ones with a few bytes wrong, through the reader and a real socket.
        const auto [listener, sender] = pairOpen();
        test::Random random(5);
        std::uint64_t taken = 0;
        std::uint64_t wrong = 0;
        std::uint64_t sent = 0;
        const std::vector<std::vector<std::byte>> right{
            writeOsc(OscStrike{"hit", 1, 5}), writeOsc(OscStrike{"blast", 1, {}, WorldPoint{1, 2, 3}}),
            writeOsc(OscSettle{3}), bundleOf({writeOsc(OscSettle{3}), writeOsc(OscIntensity{1})})};
        for (int i = 0; i < 110'000; ++i) {
            std::vector<std::byte> datagram;
            if (i % 2 == 0) {
                datagram.resize(static_cast<std::size_t>(random.whole(0, i % 64 == 0 ? 1500 : 80)));
                for (std::byte& byte : datagram)
                    byte = static_cast<std::byte>(random.whole(0, 255));
                if (!datagram.empty() && i % 4 == 0)
                    datagram[0] = std::byte{'/'};
            } else {
                datagram = right[static_cast<std::size_t>(random.whole(0, 3))];
                for (int change = random.whole(1, 4); change > 0; --change)
                    datagram[static_cast<std::size_t>(random.whole(0, static_cast<int>(datagram.size()) - 1))] =
                        static_cast<std::byte>(random.whole(0, 255));
                datagram.resize(static_cast<std::size_t>(random.whole(1, static_cast<int>(datagram.size()))));
            }
            const OscRead read = readOsc(datagram);
            taken += read.messages.size();
            wrong += read.malformed + read.unknown;
            for (const OscMessage& message : read.messages)
                if (const auto* strike = std::get_if<OscStrike>(&message)) {
                    QVERIFY(inRange(strikefield::strength, strike->strength));
                    QVERIFY(!strike->kind.empty());
                }
            QVERIFY(sender->send(datagram));
            if (++sent % 200 == 0) { // the system's own queue is not what is tested
                QVERIFY(cameIn(*listener, sent));
                listener->take();
            }
        }
        QVERIFY(wrong > 60'000);
        QVERIFY(taken > 1'000); // some are right in spite of it
        const OscCounts counts = listener->counts();
        QCOMPARE(counts.datagrams, std::uint64_t{110'000});
        QVERIFY(counts.oversized > 100);
        // A right one is still taken.
        sender->send(writeOsc(OscSettle{7}));
        QVERIFY(cameIn(*listener, 110'001));
        const auto last = listener->take();
        QVERIFY(!last.empty() && last.back().message == OscMessage(OscSettle{7}));
    }
    void aFloodIsBounded()
    {
        const auto [listener, sender] = pairOpen();
        const auto datagram = bundleOf(std::vector(20, writeOsc(OscSettle{3})));
        std::uint64_t sent = 0;
        for (int i = 0; i < 400; ++i) {
            sender->send(datagram);
            if (++sent % 50 == 0) {
                QVERIFY(cameIn(*listener, sent));
            }
        }
        const OscCounts counts = listener->counts();
        QCOMPARE(counts.taken, std::uint64_t{OscListener::mostWaiting});
        QCOMPARE(counts.taken + counts.flooded, std::uint64_t{8000});
        QCOMPARE(listener->take().size(), OscListener::mostWaiting);
        QVERIFY(listener->take().empty());
    }
    void twoThousandASecondAreAllTaken()
    {
        const auto [listener, sender] = pairOpen();
        std::size_t taken = 0;
        QElapsedTimer clock;
        clock.start();
        for (int i = 0; i < 2000; ++i) {
            while (clock.nsecsElapsed() < i * 500'000LL)
                QThread::usleep(100);
            sender->send(writeOsc(OscStrike{"hit", 0.5, static_cast<std::uint32_t>(i)}));
            if (i % 33 == 0)
                taken += listener->take().size();
        }
        QVERIFY(cameIn(*listener, 2000));
        taken += listener->take().size();
        QCOMPARE(taken, std::size_t{2000});
        QCOMPARE(listener->counts().flooded, std::uint64_t{0});
    }
    void theListenerTellsWhenSomethingBeginsToWait()
    {
        std::atomic<int> told{0};
        auto listener = OscListener::open({"127.0.0.1", 0}, [&] { ++told; });
        QVERIFY(listener);
        auto sender = OscSender::open({"127.0.0.1", listener.value()->port()});
        QVERIFY(sender);
        for (int i = 0; i < 5; ++i)
            sender.value()->send(writeOsc(OscSettle{1}));
        QVERIFY(cameIn(*listener.value(), 5));
        QCOMPARE(told.load(), 1);
        listener.value()->take();
        sender.value()->send(writeOsc(OscSettle{1}));
        QVERIFY(cameIn(*listener.value(), 6));
        QCOMPARE(told.load(), 2);
    }
    void addressesAreRead()
    {
        QVERIFY(*oscAddressFrom("9000") == (OscAddress{"127.0.0.1", 9000}));
        QVERIFY(*oscAddressFrom("10.0.0.4:1") == (OscAddress{"10.0.0.4", 1}));
        for (const char* text : {"", "0", "70000", ":9000", "host:", "9000x", "-1", "a:b"})
            QVERIFY2(!oscAddressFrom(text), text);
        QVERIFY(oscAddressFrom("0", true));
        for (const char* host : {"127.0.0.1", "127.4.5.6", "localhost"})
            QVERIFY(onlyThisMachine({host, 1}));
        for (const char* host : {"0.0.0.0", "10.0.0.1", "192.168.1.2", "128.0.0.1", "127.0.0.1.example"})
            QVERIFY(!onlyThisMachine({host, 1}));
        const auto taken = OscListener::open({"127.0.0.1", 0});
        const auto again = OscListener::open({"127.0.0.1", taken.value()->port()});
        QVERIFY(!again && sentence(again.error()).find("cannot be listened on") != std::string::npos);
        QVERIFY(!OscListener::open({"no such host.invalid", 0}));
    }
    void kindsPadsAndRecipesAreStruck()
    {
        Project project = newProject(1280, 720, FrameRate());
        project = withPadChanged(project, 1, [&](Pad& pad) {
            pad.name = "Anvil";
            pad.direction = 33;
            pad.recipes = {project.recipes[2].id, project.recipes[3].id};
        });
        const Board board = boardOf(project);
        auto strike = strikeOf(OscStrike{"Anvil", 0.4, 9}, project, board, 1);
        QVERIFY(strike);
        QCOMPARE(strike->recipe, project.recipes[3].id);
        QCOMPARE(strike->strength, 0.4);
        QCOMPARE(*strike->direction, 33.0);
        QCOMPARE(strike->seed, 9u);
        strike = strikeOf(OscStrike{"blast", 1, {}, WorldPoint{1, 2, 3}}, project, board, 0);
        QCOMPARE(strike->kind, StrikeKind::blast);
        QVERIFY(std::get<WorldPoint>(strike->place->at) == (WorldPoint{1, 2, 3}));
        strike = strikeOf(OscStrike{project.recipes[0].name, 1}, project, Board(), 0);
        QCOMPARE(strike->recipe, project.recipes[0].id);
        QVERIFY(!strikeOf(OscStrike{"Nobody", 1}, project, board, 0));
    }
    void patternsAreRead()
    {
        const auto read = patternFromJson(R"({"messages": [{"time": 2, "settle": 0}, {"time": 1, "intensity": 50},
            {"strike": "hit", "strength": 0.5, "seed": 7, "at": [1, 2, 3]}],
            "hammer": [{"from": 3, "seconds": 10, "per_second": 30, "kinds": ["hit", "beat"], "seed": 4, "within": 50}]})",
                                          "p.json");
        QVERIFY2(read.ok(), read ? "" : sentence(read.error()).c_str());
        QCOMPARE(read->size(), std::size_t{303});
        QVERIFY(read.value()[0].message == OscMessage(OscStrike{"hit", 0.5, 7, WorldPoint{1, 2, 3}}));
        QVERIFY(read.value()[1].message == OscMessage(OscIntensity{0.5}));
        QVERIFY(read.value()[2].message == OscMessage(OscSettle{0}));
        for (std::size_t i = 4; i < read->size(); ++i)
            QVERIFY(read.value()[i].seconds >= read.value()[i - 1].seconds && read.value()[i].seconds < 13);
        for (const auto& [text, part] :
             {std::pair("[1", "breaks off in line 1"),
              {"[]", "object"},
              {R"({"x": 1})", "x is not known"},
              {R"({"messages": [{}]})", "messages[0].strike"},
              {R"({"messages": [{"strike": "hit", "strength": 19}]})", "messages[0].strength"},
              {R"({"messages": [{"strike": "hit", "at": [1, 2]}]})", "list of 3"},
              {R"({"hammer": [{"per_second": 0}]})", "hammer[0].per_second"},
              {R"({"hammer": [{"kinds": []}]})", "hammer[0].kinds"}}) {
            const auto wrong = patternFromJson(text, "p.json");
            QVERIFY(!wrong);
            QVERIFY2(sentence(wrong.error()).find(part) != std::string::npos, sentence(wrong.error()).c_str());
        }
    }
};

EMBER_TEST(OscTest)
#include "tst_osc.moc"
