// SPDX-License-Identifier: GPL-3.0-or-later
// Work away from the interface thread.
#include <atomic>
#include <deque>
#include <new>

#include <QSemaphore>
#include <QSignalSpy>
#include <QThread>

#include "background.h"
#include "patience.h"
#include "runner.h"
#include "task.h"
#include "waiting_thread.h"

using namespace ember;
using namespace ember::app;

namespace {

void turnEvents()
{
    for (int i = 0; i < 3; ++i)
        QCoreApplication::processEvents();
}

} // namespace

class WorkTest : public QObject {
    Q_OBJECT
private slots:
    void whatIsDoneElsewhereIsToldHere()
    {
        QObject context;
        std::optional<int> told;
        QThread* worker = nullptr;
        QThread* teller = nullptr;
        inBackground(
            &context,
            [&worker] {
                worker = QThread::currentThread();
                return 42;
            },
            [&](int outcome) {
                teller = QThread::currentThread();
                told = outcome;
            });
        QTRY_COMPARE(told, std::optional<int>(42));
        QVERIFY(worker != QThread::currentThread());
        QCOMPARE(teller, QThread::currentThread());
    }
    void nobodyIsToldWhoIsGone()
    {
        auto context = std::make_unique<QObject>();
        std::atomic<bool> go{false};
        std::atomic<bool> done{false};
        bool told = false;
        inBackground(
            context.get(),
            [&] {
                while (!go)
                    QThread::msleep(1);
                done = true;
                return 1;
            },
            [&told](int) { told = true; });
        context.reset();
        go = true;
        QTRY_VERIFY(done);
        QTest::qWait(50);
        QVERIFY(!told);
    }
    void noMemoryIsAnErrorToBeTold()
    {
        QObject context;
        const QSignalSpy lacking(&MemoryWatch::instance(), &MemoryWatch::lacking);
        std::optional<ErrorCode> told;
        inBackground(
            &context, []() -> Result<int> { throw std::bad_alloc(); },
            [&told](const Result<int>& outcome) { told = outcome ? ErrorCode::failed : outcome.error().code; });
        QTRY_VERIFY(told.has_value());
        QCOMPARE(*told, noMemory().code);
        QTRY_COMPARE(lacking.size(), 1);
    }
    void aTaskTellsHowFarItIsAndWhatCameOfIt()
    {
        Task task;
        QSignalSpy progressed(&task, &Task::progressed);
        QSignalSpy changed(&task, &Task::changed);
        std::optional<int> told;
        task.begin(
            [](const Progress& progress) -> Result<int> {
                for (int i = 0; i < 4; ++i)
                    if (!progress(i / 4.0))
                        return Error{ErrorCode::cancelled, "", ""};
                return 7;
            },
            [&told](const Result<int>& outcome) { told = outcome.value(); });
        QVERIFY(task.working());
        QCOMPARE(changed.size(), 1);
        QTRY_COMPARE(told, std::optional<int>(7));
        QVERIFY(!task.working());
        QCOMPARE(changed.size(), 2);
        QCOMPARE(progressed.size(), 4);
        QCOMPARE(progressed.back().front().toDouble(), 0.75);
    }
    void aTaskThatIsStoppedEndsWithWhatItReturns()
    {
        Task task;
        QSemaphore begun;
        std::optional<ErrorCode> told;
        task.begin(
            [&begun](const Progress& progress) -> Status {
                begun.release();
                while (progress(0))
                    QThread::msleep(1);
                return Error{ErrorCode::cancelled, "", ""};
            },
            [&told](const Status& outcome) { told = outcome.error().code; });
        begun.acquire();
        task.stop();
        QVERIFY(task.stopping());
        QTRY_COMPARE(told, std::optional(ErrorCode::cancelled));
    }
    void onlyTheNewestOfATasksWorkIsTold()
    {
        std::vector<int> told;
        std::atomic<int> stopped{0};
        {
            Task task;
            const auto endless = [&stopped](const Progress& progress) -> Result<int> {
                while (progress(0))
                    QThread::msleep(1);
                ++stopped;
                return 1;
            };
            task.begin(endless, [&told](const Result<int>&) { told.push_back(1); });
            task.begin([](const Progress&) -> Result<int> { return 2; },
                       [&told](const Result<int>& outcome) { told.push_back(outcome.value()); });
            QTRY_COMPARE(told.size(), std::size_t{1});
            QCOMPARE(told.front(), 2);
            task.begin(endless, [&told](const Result<int>&) { told.push_back(3); });
            task.drop();
            QVERIFY(!task.working());
            task.begin(endless, [&told](const Result<int>&) { told.push_back(4); });
        } // waits for all of them
        QCOMPARE(stopped.load(), 3);
        turnEvents();
        QCOMPARE(told.size(), std::size_t{1});
    }
    void aTaskWithoutMemoryIsAnError()
    {
        Task task;
        std::optional<ErrorCode> told;
        task.begin([](const Progress&) -> Result<int> { throw std::bad_alloc(); },
                   [&told](const Result<int>& outcome) { told = outcome ? ErrorCode::exists : outcome.error().code; });
        QTRY_COMPARE(told, std::optional(noMemory().code));
    }
    void aWaitingThreadServesWishesInOrderAndEndsWhileMoreWait()
    {
        std::deque<int> wishes;
        std::vector<int> served;
        std::atomic<int> largest{-1};
        {
            WaitingThread thread([&] { return !wishes.empty(); },
                                 [&](WaitingThread::Lock& held) {
                                     const int wish = wishes.front();
                                     wishes.pop_front();
                                     held.unlock();
                                     QThread::usleep(100);
                                     held.lock();
                                     served.push_back(wish);
                                     largest = wish;
                                     thread_->tell();
                                 });
            thread_ = &thread;
            for (int i = 0; i < 50; ++i)
                thread.change([&] { wishes.push_back(i); });
            thread.until([&] { return served.size() == 50; });
            for (int i = 0; i < 50; ++i)
                QCOMPARE(served[static_cast<std::size_t>(i)], i);
            for (int i = 50; i < 100'000; ++i)
                thread.change([&] { wishes.push_back(i); });
        }
        QVERIFY(largest < 99'999); // it did not wait for all that was left
    }

private:
    WaitingThread* thread_ = nullptr;
};

EMBER_TEST(WorkTest)
#include "tst_work.moc"
