// SPDX-License-Identifier: GPL-3.0-or-later
#include <QTest>

#include "ember/image/image.h"
#include "runner.h"

using namespace ember;

class ImageTest : public QObject {
    Q_OBJECT
private slots:
    void imagesAreAlignedAndCopied()
    {
        for (int width = 1; width < 70; ++width) {
            Image image(width, 3);
            QCOMPARE(image.stride() % PixelMemory::alignment, std::size_t{0});
            QCOMPARE(reinterpret_cast<std::uintptr_t>(image.row(0)) % PixelMemory::alignment, std::size_t{0});
            image.fill(1, 2, 3, 4);
            Image copy = image.copy();
            QVERIFY(samePixels(image, copy));
            copy.at(width - 1, 2)[3] = 9;
            QVERIFY(!samePixels(image, copy));
        }
        QVERIFY(!samePixels(Image(2, 3), Image(3, 2)));
        QVERIFY(Image().copy().empty());
    }
};

EMBER_TEST(ImageTest)
#include "tst_image.moc"
