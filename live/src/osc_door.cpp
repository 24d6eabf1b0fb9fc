// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/live/osc_door.h"

#include <array>
#include <atomic>
#include <cerrno>
#include <charconv>
#include <cstring>
#include <mutex>
#include <thread>

#include <arpa/inet.h>
#include <netdb.h>
#include <poll.h>
#include <sys/eventfd.h>
#include <sys/socket.h>
#include <unistd.h>

namespace ember {

namespace {

class Descriptor {
public:
    explicit Descriptor(int number = -1) : number_(number) {}
    Descriptor(Descriptor&& other) noexcept : number_(std::exchange(other.number_, -1)) {}
    Descriptor& operator=(Descriptor&&) = delete;
    ~Descriptor()
    {
        if (number_ >= 0)
            ::close(number_);
    }
    int operator*() const { return number_; }
    explicit operator bool() const { return number_ >= 0; }

private:
    int number_;
};

std::string shown(const OscAddress& address)
{
    return address.host + ":" + std::to_string(address.port);
}

struct Resolved {
    sockaddr_in address{};
};

Result<Resolved> resolved(const OscAddress& address)
{
    addrinfo hints{};
    hints.ai_family = AF_INET;
    hints.ai_socktype = SOCK_DGRAM;
    addrinfo* found = nullptr;
    const int code = ::getaddrinfo(address.host.c_str(), nullptr, &hints, &found);
    if (code != 0 || found == nullptr)
        return Error{ErrorCode::badValue, shown(address),
                     std::string("there is no such host: ") + ::gai_strerror(code)};
    Resolved result;
    std::memcpy(&result.address, found->ai_addr, sizeof(sockaddr_in));
    ::freeaddrinfo(found);
    result.address.sin_port = htons(static_cast<std::uint16_t>(address.port));
    return result;
}

Error systemError(ErrorCode code, const OscAddress& address, const std::string& what)
{
    return {code, shown(address), what + ": " + std::strerror(errno)};
}

class UdpListener final : public OscListener {
public:
    UdpListener(Descriptor socket, Descriptor stop, int port, std::function<void()> arrived)
        : socket_(std::move(socket)), stop_(std::move(stop)), port_(port), arrived_(std::move(arrived)),
          thread_([this] { run(); })
    {
    }
    ~UdpListener() override
    {
        const std::uint64_t one = 1;
        while (::write(*stop_, &one, sizeof one) < 0 && errno == EINTR) {
        }
        thread_.join();
    }

    int port() const override { return port_; }
    std::vector<OscArrival> take() override
    {
        const std::lock_guard lock(mutex_);
        return std::exchange(waiting_, {});
    }
    OscCounts counts() const override
    {
        const std::lock_guard lock(mutex_);
        return counts_;
    }

private:
    void run()
    {
        std::array<pollfd, 2> wanted{{{*socket_, POLLIN, 0}, {*stop_, POLLIN, 0}}};
        std::array<std::byte, longestDatagram> buffer;
        for (;;) {
            if (::poll(wanted.data(), wanted.size(), -1) < 0 && errno != EINTR)
                return;
            if ((wanted[1].revents & POLLIN) != 0)
                return;
            if ((wanted[0].revents & (POLLIN | POLLERR)) == 0)
                continue;
            // MSG_TRUNC tells the whole length of a datagram that does not fit.
            const auto size = ::recv(*socket_, buffer.data(), buffer.size(), MSG_DONTWAIT | MSG_TRUNC);
            if (size >= 0)
                came(std::span(buffer.data(), std::min(buffer.size(), static_cast<std::size_t>(size))),
                     static_cast<std::size_t>(size) > buffer.size());
        }
    }

    void came(std::span<const std::byte> datagram, bool oversized)
    {
        const auto now = std::chrono::steady_clock::now();
        OscRead read = oversized ? OscRead() : readOsc(datagram);
        bool first = false;
        {
            const std::lock_guard lock(mutex_);
            ++counts_.datagrams;
            counts_.oversized += oversized ? 1 : 0;
            counts_.malformed += read.malformed;
            counts_.unknown += read.unknown;
            first = waiting_.empty() && !read.messages.empty();
            for (OscMessage& message : read.messages)
                if (waiting_.size() < mostWaiting) {
                    waiting_.push_back({std::move(message), now});
                    ++counts_.taken;
                } else {
                    ++counts_.flooded;
                }
        }
        if (first && arrived_)
            arrived_();
    }

    const Descriptor socket_;
    const Descriptor stop_;
    const int port_;
    const std::function<void()> arrived_;
    mutable std::mutex mutex_;
    std::vector<OscArrival> waiting_;
    OscCounts counts_;
    std::thread thread_;
};

class UdpSender final : public OscSender {
public:
    explicit UdpSender(Descriptor socket) : socket_(std::move(socket)) {}

    bool send(std::span<const std::byte> datagram) override
    {
        // Nobody listening makes the next send fail once; that is no fault of this one.
        for (int attempt = 0; attempt < 2; ++attempt)
            if (::send(*socket_, datagram.data(), datagram.size(), MSG_NOSIGNAL) >= 0)
                return true;
            else if (errno != ECONNREFUSED)
                return false;
        return true;
    }

private:
    const Descriptor socket_;
};

} // namespace

std::optional<OscAddress> oscAddressFrom(const std::string& text, bool any)
{
    OscAddress address;
    const auto colon = text.rfind(':');
    std::string_view port = text;
    if (colon != std::string::npos) {
        address.host = text.substr(0, colon);
        port.remove_prefix(colon + 1);
    }
    const auto [end, code] = std::from_chars(port.data(), port.data() + port.size(), address.port);
    if (port.empty() || code != std::errc() || end != port.data() + port.size() || address.host.empty() ||
        address.port < (any ? 0 : 1) || address.port > 65535)
        return std::nullopt;
    return address;
}

bool onlyThisMachine(const OscAddress& address)
{
    if (address.host == "localhost")
        return true;
    in_addr number{};
    return ::inet_pton(AF_INET, address.host.c_str(), &number) == 1 && (ntohl(number.s_addr) >> 24) == 127;
}

Result<std::unique_ptr<OscListener>> OscListener::open(const OscAddress& address, std::function<void()> arrived)
{
    auto place = resolved(address);
    if (!place)
        return place.error();
    Descriptor socket(::socket(AF_INET, SOCK_DGRAM | SOCK_CLOEXEC | SOCK_NONBLOCK, 0));
    Descriptor stop(::eventfd(0, EFD_CLOEXEC | EFD_NONBLOCK));
    if (!socket || !stop)
        return systemError(ErrorCode::failed, address, "no socket can be opened");
    const int room = 1 << 20; // bytes; bursts wait here rather than getting lost
    ::setsockopt(*socket, SOL_SOCKET, SO_RCVBUF, &room, sizeof room);
    sockaddr_in& at = place->address;
    socklen_t size = sizeof at;
    const auto* bare = static_cast<const sockaddr*>(static_cast<const void*>(&at));
    if (::bind(*socket, bare, size) != 0)
        return systemError(ErrorCode::failed, address, "this address cannot be listened on");
    if (::getsockname(*socket, static_cast<sockaddr*>(static_cast<void*>(&at)), &size) != 0)
        return systemError(ErrorCode::failed, address, "the port is not known");
    return std::unique_ptr<OscListener>(
        std::make_unique<UdpListener>(std::move(socket), std::move(stop), ntohs(at.sin_port), std::move(arrived)));
}

Result<std::unique_ptr<OscSender>> OscSender::open(const OscAddress& address)
{
    const auto place = resolved(address);
    if (!place)
        return place.error();
    Descriptor socket(::socket(AF_INET, SOCK_DGRAM | SOCK_CLOEXEC, 0));
    if (!socket)
        return systemError(ErrorCode::failed, address, "no socket can be opened");
    const auto* bare = static_cast<const sockaddr*>(static_cast<const void*>(&place->address));
    if (::connect(*socket, bare, sizeof(sockaddr_in)) != 0)
        return systemError(ErrorCode::failed, address, "nothing can be sent there");
    return std::unique_ptr<OscSender>(std::make_unique<UdpSender>(std::move(socket)));
}

} // namespace ember
