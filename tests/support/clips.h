// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include <QStringList>
#include <QTemporaryDir>

#include "ember/core/time.h"
#include "ember/image/image.h"

namespace ember::test {

/// Runs the ffmpeg command and says whether it succeeded.
bool ffmpeg(const QStringList& arguments);

/// A lossless clip of numbered frames (`first` and on) written by our own writer; `sound` adds two tones as long.
std::string numberedClip(const QTemporaryDir& folder, const std::string& name, int frames, FrameRate rate,
                         int width = 192, int height = 128, bool sound = false, int first = 0);

/// A film of 96 frames in which a light goes on at some of them, and clicks that come `late` seconds after each, each
/// `share` as loud as the one before.
bool flashingClip(const std::string& path, const std::vector<int>& frames, double late = 0, double share = 1);

/// The bytes of a file.
QByteArray bytesOf(const std::string& path);
void writeBytes(const std::string& path, const QByteArray& bytes);

/// Keeps files from growing past `bytes` while it lives: a full disk for this process.
class DiskLimit {
public:
    explicit DiskLimit(long bytes);
    ~DiskLimit();
    DiskLimit(const DiskLimit&) = delete;
    DiskLimit& operator=(const DiskLimit&) = delete;

private:
    unsigned long before_ = 0;
};

} // namespace ember::test
