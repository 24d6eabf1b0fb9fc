// SPDX-License-Identifier: GPL-3.0-or-later
// The sounds of strikes, worked in the window.
#include <cmath>

#include <QLabel>
#include <QScrollArea>
#include <QToolButton>

#include "actions.h"
#include "ember/core/strike_sound.h"
#include "ember/media/sound_reader.h"
#include "runner.h"
#include "value_control.h"
#include "value_field.h"
#include "window_fixture.h"

using namespace ember;
using namespace ember::app;

class SoundsTest : public test::WindowFixture {
    Q_OBJECT

    void reveal(QWidget* widget)
    {
        for (QWidget* parent = widget->parentWidget(); parent != nullptr; parent = parent->parentWidget())
            if (auto* area = qobject_cast<QScrollArea*>(parent))
                area->ensureWidgetVisible(widget);
        turn();
    }
    std::function<QComboBox*()> kindList()
    {
        return [this] { return within<QWidget>("strike-sound", "kind")->findChild<QComboBox*>(); };
    }

private slots:
    void aRecipeGetsItsSound()
    {
        strikeOn(20, Qt::Key_3);
        strikeOn(60, Qt::Key_3);
        QVERIFY(heardStrikes(project()).empty());
        reveal(child<QWidget>("strike-sound"));
        choose(kindList(), QStringLiteral("ring"));
        QCOMPARE(heardStrikes(project()).size(), std::size_t{2}); // both follow the recipe
        QCOMPARE(heardStrikes(project())[1].seconds, 60 / 24.0);
        QVERIFY(session().film.filmSound().any());
        type(within<ValueControl>("strike-sound", "level")->field(), QStringLiteral("-9"));
        QCOMPARE(session().shaping.felt()->sound.level, -9.0);
        for (int i = 0; i < 5; ++i) // the level, and each word the arrow keys passed
            session().document.undo();
        QVERIFY(heardStrikes(project()).empty());
    }
    void aStrikeMayHaveItsOwn()
    {
        strikeOn(20, Qt::Key_3);
        strikeOn(60, Qt::Key_3);
        reveal(child<QWidget>("strike-sound"));
        choose(kindList(), QStringLiteral("boom"));
        session().shaping.setScope(ShapeScope::strike);
        type(within<ValueControl>("strike-sound", "level")->field(), QStringLiteral("-20"));
        const auto heard = heardStrikes(project());
        QCOMPARE(heard[0].sound.level, 0.0);
        QCOMPARE(heard[1].sound.level, -20.0);
    }
    void allAreMuted()
    {
        strikeOn(20, Qt::Key_3);
        reveal(child<QWidget>("strike-sound"));
        choose(kindList(), QStringLiteral("crack"));
        click("page-2");
        auto* sounds = within<QWidget>("master", "sounds")->findChild<QAbstractButton*>();
        QVERIFY(sounds->isChecked());
        QTest::mouseClick(sounds, Qt::LeftButton);
        turn();
        QVERIFY(!project().master.sounds && heardStrikes(project()).empty());
        session().document.undo();
        QCOMPARE(heardStrikes(project()).size(), std::size_t{1});
    }
    void aSoundOfOnesOwn()
    {
        strikeOn(20, Qt::Key_3);
        openAnswer_ = at(QStringLiteral("clang.wav"));
        QVERIFY(test::ffmpeg({"-f", "lavfi", "-i", "sine=f=800:d=0.2", openAnswer_}));
        reveal(child<QWidget>("sound-file"));
        click("sound-file");
        QVERIFY(session().shaping.felt()->sound.kind == SoundKind::file);
        QCOMPARE(QString::fromStdString(session().shaping.felt()->sound.file), openAnswer_);
        QCOMPARE(child<QAbstractButton>("sound-file")->text(), QStringLiteral("clang.wav"));
        const Project before = project();
        openAnswer_ = at(QStringLiteral("text.wav"));
        test::writeBytes(openAnswer_.toStdString(), "no sound");
        click("sound-file");
        QVERIFY(window_->notice().contains(QStringLiteral("text.wav")));
        QVERIFY(project() == before);
        session().document.undo();
        QVERIFY(session().shaping.felt()->sound.kind == SoundKind::none);
    }
    void theRumbleTrackIsWritten()
    {
        strikeOn(20, Qt::Key_3);
        saveAnswer_ = at(QStringLiteral("rumble.wav"));
        for (const ListedAction& listed : actionsOf(*window_->menuBar()))
            if (listed.id == QLatin1String("file.export-a-rumble-track"))
                listed.action->trigger();
        QTRY_VERIFY(child<QLabel>("told")->text().contains(QStringLiteral("35 Hz")));
        const auto written = SoundReader::open(saveAnswer_.toStdString(), 0, {});
        QVERIFY(written && std::abs(written.value()->seconds() - 5) < 0.01); // 120 frames
    }
};

EMBER_TEST(SoundsTest)
#include "tst_sounds.moc"
