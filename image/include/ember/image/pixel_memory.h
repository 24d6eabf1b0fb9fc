// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <memory>

namespace ember {

/// Memory for the pixels of one picture, aligned to 64 bytes, not initialised. Large pieces are kept when they are let
/// go and handed out again: a film is thousands of pictures of one size, and asking the system for each costs as much
/// as shaking it. What is kept is bounded (eight pieces, 256 MB). Any thread may let go what another one took.
class PixelMemory {
public:
    static constexpr std::size_t alignment = 64;

    PixelMemory() = default;
    explicit PixelMemory(std::size_t size);

    std::byte* data() const { return held_.get(); }

private:
    struct Release {
        std::size_t size;
        Release() noexcept : size(0) {}
        explicit Release(std::size_t held) noexcept : size(held) {}
        void operator()(std::byte* p) const;
    };
    std::unique_ptr<std::byte[], Release> held_;
};

} // namespace ember
