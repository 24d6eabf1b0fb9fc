// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures are made one at a time and ahead of their time, and never of what is out of date.
#include <QSignalSpy>
#include <QTest>

#include "picture_feed.h"
#include "runner.h"

using namespace ember;
using namespace ember::app;

class PictureFeedTest : public QObject {
    Q_OBJECT

    /// Frames of one colour each; those after `decoded_` are not decoded yet.
    std::optional<PictureFeed::Order> orderOf(std::int64_t frame)
    {
        if (frame > decoded_)
            return std::nullopt;
        ordered_.push_back(frame);
        const bool slow = frame == slow_;
        Image image(slow ? 3000 : 8, slow ? 2000 : 6);
        image.setOpaque(true);
        image.fill(static_cast<std::uint8_t>(10 * frame), shade_, 0);
        FrameLook look;
        look.projectWidth = image.width();
        look.projectHeight = image.height();
        for (int i = 0; slow && i < 200; ++i)
            look.exposure.poses.push_back({.x = 0.1 * i, .roll = 0.02 * i});
        const int width = image.width();
        const int height = image.height();
        return PictureFeed::Order{
            frame,        std::make_shared<const Image>(std::move(image)), look, width, height, std::nullopt, 0.5,
            QSize(16, 12)};
    }
    std::vector<std::int64_t> ordered_;
    std::int64_t decoded_ = 100;
    std::int64_t slow_ = -1;
    std::uint8_t shade_ = 0;

    struct Shown {
        qint64 frame;
        QColor colour;
        QSize size;
    };
    std::vector<Shown> shown_;
    void listen(PictureFeed& feed)
    {
        connect(&feed, &PictureFeed::made, this, [this](qint64 frame, const QImage&, const QImage& shown) {
            shown_.push_back({frame, shown.pixelColor(3, 3), shown.size()});
        });
    }
    static PictureFeed::OrderOf orders(PictureFeedTest* test)
    {
        return [test](std::int64_t frame) { return test->orderOf(frame); };
    }

private slots:
    void init()
    {
        ordered_.clear();
        shown_.clear();
        decoded_ = 100;
        slow_ = -1;
        shade_ = 0;
    }
    void aStillFrameIsMadeOnceAsLargeAsItIsShown()
    {
        PictureFeed feed(orders(this));
        listen(feed);
        feed.want({7});
        QVERIFY(!feed.settled());
        QTRY_VERIFY(feed.settled());
        feed.want({7});
        QVERIFY(feed.settled());
        QCOMPARE(ordered_, (std::vector<std::int64_t>{7}));
        QCOMPARE(shown_.size(), 1U);
        QCOMPARE(shown_[0].size, QSize(16, 12));
        QCOMPARE(shown_[0].colour, QColor(70, 0, 0));
    }
    void theNextIsMadeAheadAndShownAtOnce()
    {
        PictureFeed feed(orders(this));
        listen(feed);
        feed.want({3, {4}});
        QTRY_COMPARE(ordered_, (std::vector<std::int64_t>{3, 4}));
        QTRY_VERIFY(feed.settled());
        QCOMPARE(shown_.size(), 1U); // 4 waits for its time
        feed.want({4, {5}});
        QCOMPARE(shown_.size(), 2U); // without a turn of the event loop
        QCOMPARE(shown_[1].frame, 4);
        QCOMPARE(shown_[1].colour, QColor(40, 0, 0));
        QTRY_COMPARE(ordered_, (std::vector<std::int64_t>{3, 4, 5}));
    }
    void severalAreMadeAheadInTheirOrder()
    {
        PictureFeed feed(orders(this));
        listen(feed);
        feed.want({3, {4, 5, 0, 1}}); // a loop comes round
        QTRY_COMPARE(ordered_, (std::vector<std::int64_t>{3, 4, 5, 0, 1}));
        QTRY_VERIFY(feed.settled());
        QCOMPARE(shown_.size(), 1U);
        feed.want({5, {0, 1}}); // the clock stepped over one
        feed.want({0, {1, 2}});
        QCOMPARE(shown_.size(), 3U);
        QCOMPARE(shown_[1].colour, QColor(50, 0, 0));
        QCOMPARE(shown_[2].colour, QColor(0, 0, 0));
        QTRY_COMPARE(ordered_, (std::vector<std::int64_t>{3, 4, 5, 0, 1, 2})); // none of them twice
    }
    void whatIsBeingMadeIsShownLateButNotElsewhere()
    {
        PictureFeed feed(orders(this));
        listen(feed);
        slow_ = 4;
        feed.want({3, {4, 5}});
        QTRY_COMPARE(ordered_, (std::vector<std::int64_t>{3, 4}));
        feed.want({5, {6, 7}}); // 4 comes late
        QTRY_VERIFY(feed.settled());
        QCOMPARE(shown_.size(), 3U);
        QCOMPARE(shown_[1].frame, 4);
        QCOMPARE(shown_[2].frame, 5);

        shown_.clear();
        slow_ = 11;
        feed.want({10, {11, 12}});
        QTRY_VERIFY(ordered_.back() == 11);
        feed.want({20, {21, 22}}); // another place is looked at
        QTRY_VERIFY(feed.settled());
        QCOMPARE(shown_.size(), 2U);
        QCOMPARE(shown_[0].frame, 10);
        QCOMPARE(shown_[1].frame, 20);
    }
    void whatWasMadeAheadOfAChangeIsMadeAgain()
    {
        PictureFeed feed(orders(this));
        listen(feed);
        feed.want({3, {4}});
        QTRY_COMPARE(ordered_.size(), 2U);
        QTRY_VERIFY(feed.settled());
        shade_ = 200;
        feed.renew({3, {4}});
        feed.want({4, {5}});
        QTRY_VERIFY(feed.settled() && !shown_.empty() && shown_.back().frame == 4);
        QCOMPARE(shown_.back().colour, QColor(40, 200, 0));
    }
    void aChangeDuringTheMakingIsShownInTheEnd()
    {
        PictureFeed feed(orders(this));
        listen(feed);
        feed.want({3});
        for (int i = 1; i <= 20; ++i) {
            shade_ = static_cast<std::uint8_t>(10 * i);
            feed.renew({3});
        }
        QTRY_VERIFY(feed.settled());
        QCOMPARE(shown_.back().colour, QColor(30, 200, 0));
        QVERIFY(ordered_.size() <= 2); // not one for each change
    }
    void theOneAheadIsForgottenWhenPlayingEnds()
    {
        PictureFeed feed(orders(this));
        listen(feed);
        feed.want({3, {4}});
        QTRY_COMPARE(ordered_.size(), 2U); // 4 is on its way, or there
        feed.want({3});
        QTRY_VERIFY(feed.settled());
        QCOMPARE(shown_.size(), 1U);
        QCOMPARE(shown_[0].frame, 3);
    }
    void framesNotDecodedAreWaitedFor()
    {
        decoded_ = 3;
        PictureFeed feed(orders(this));
        listen(feed);
        feed.want({4});
        QVERIFY(feed.waiting() && !feed.settled());
        feed.giveUp(); // it cannot be
        QVERIFY(feed.settled());
        feed.want({4});
        QVERIFY(feed.waiting());
        decoded_ = 4;
        feed.renew({4});
        QTRY_VERIFY(feed.settled());
        QCOMPARE(shown_.back().frame, 4);
    }
    void aClosedClipShowsNoMore()
    {
        PictureFeed feed(orders(this));
        listen(feed);
        feed.want({3});
        feed.forget();
        shade_ = 90;
        feed.want({3});
        QTRY_VERIFY(feed.settled());
        QCOMPARE(shown_.size(), 1U);
        QCOMPARE(shown_[0].colour, QColor(30, 90, 0));
    }
};

EMBER_TEST(PictureFeedTest)
#include "tst_picture_feed.moc"
