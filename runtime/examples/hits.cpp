// SPDX-License-Identifier: MIT
// Plays a recipe on the console: three hits, then home. Build it with any C++17 compiler:
//     c++ -std=c++17 hits.cpp -o hits && ./hits recipe.json
#include <cstdio>
#include <cstring>
#include <exception>
#include <fstream>
#include <sstream>

#include "../vast_ember.hpp"

int main(int argc, char** argv)
{
    if (argc < 2) {
        std::fputs("Give the recipe's JSON, and \"gentle\" for the gentle preset.\n", stderr);
        return 2;
    }
    std::ifstream file(argv[1], std::ios::binary);
    std::ostringstream text;
    text << file.rdbuf();
    const bool gentle = argc > 2 && std::strcmp(argv[2], "gentle") == 0;
    try {
        auto shake =
            vast_ember::Shake::fromJson(text.str(), gentle ? vast_ember::Preset::gentle : vast_ember::Preset::full);
        std::printf("%s\n%8s %8s %8s %7s %7s\n", shake.name().c_str(), "seconds", "x", "y", "zoom", "roll");
        const double frame = 1 / shake.framesPerSecond();
        for (int i = 0; i < 72; ++i) {
            const vast_ember::Pose now = shake.pose(i * frame);
            if (i == 6 || i == 14) // something hits: 80 percent strong, downwards, each another seed
                shake.trigger(0.8, 90, static_cast<unsigned>(i));
            if (i == 22) // a heavier one, wherever its seed sends it
                shake.trigger(1.2);
            if (i == 54)
                shake.settle(0.5);
            std::printf("%8.3f %8.2f %8.2f %7.3f %7.2f\n", i * frame, now.x, now.y, now.zoom, now.roll);
        }
    } catch (const std::exception& error) {
        std::fprintf(stderr, "%s\n", error.what());
        return 1;
    }
    return 0;
}
