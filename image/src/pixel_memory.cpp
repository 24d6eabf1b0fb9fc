// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/image/pixel_memory.h"

#include <algorithm>
#include <mutex>
#include <new>
#include <vector>

namespace ember {

namespace {

constexpr std::size_t smallest = 1 << 20; ///< below, the system is quick enough
constexpr std::size_t mostPieces = 8;
constexpr std::size_t mostBytes = 256U << 20;

void release(std::byte* p)
{
    ::operator delete[](p, std::align_val_t{PixelMemory::alignment});
}

class Shelf {
public:
    std::byte* take(std::size_t size)
    {
        const std::lock_guard lock(mutex_);
        const auto found =
            std::find_if(pieces_.begin(), pieces_.end(), [size](const Piece& piece) { return piece.size == size; });
        if (found == pieces_.end())
            return nullptr;
        std::byte* data = found->data;
        bytes_ -= size;
        pieces_.erase(found);
        return data;
    }
    /// The oldest pieces make room.
    void keep(std::byte* data, std::size_t size)
    {
        const std::lock_guard lock(mutex_);
        pieces_.push_back({data, size});
        bytes_ += size;
        while (pieces_.size() > mostPieces || bytes_ > mostBytes) {
            bytes_ -= pieces_.front().size;
            release(pieces_.front().data);
            pieces_.erase(pieces_.begin());
        }
    }

private:
    struct Piece {
        std::byte* data;
        std::size_t size;
    };
    std::mutex mutex_;
    std::vector<Piece> pieces_;
    std::size_t bytes_ = 0;
};

Shelf& shelf()
{
    // Never destroyed: pictures may be let go by other objects that live until the end.
    static auto* const kept = new Shelf;
    return *kept;
}

} // namespace

PixelMemory::PixelMemory(std::size_t size)
{
    std::byte* data = size >= smallest ? shelf().take(size) : nullptr;
    if (data == nullptr)
        data = static_cast<std::byte*>(::operator new[](size, std::align_val_t{alignment}));
    held_ = std::unique_ptr<std::byte[], Release>(data, Release(size));
}

void PixelMemory::Release::operator()(std::byte* p) const
{
    if (size >= smallest)
        shelf().keep(p, size);
    else
        release(p);
}

} // namespace ember
