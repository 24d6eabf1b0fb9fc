// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <filesystem>
#include <ostream>

#include "command.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_parts.h"
#include "ember/project/file.h"

namespace ember {

namespace {

namespace fs = std::filesystem;

/// As one word of a shell (POSIX.1-2017, XCU 2.2.2).
std::string inShell(const std::string& text)
{
    std::string quoted = "'";
    for (const char c : text)
        quoted += c == '\'' ? std::string("'\\''") : std::string(1, c);
    return quoted + "'";
}

/// In a line of commands of a makefile.
std::string inMake(const std::string& text)
{
    std::string doubled;
    for (const char c : text)
        doubled += c == '$' ? std::string("$$") : std::string(1, c);
    return doubled;
}

/// What the jobs are made of.
struct Job {
    std::string program;
    std::string project; ///< absolute, as the film is: a job may run anywhere
    std::string output;
    std::string options; ///< of render, each with a space before it
    int count = 1;
    int threads = 1;

    std::string render(const std::string& number) const
    {
        return inShell(program) + " render " + inShell(project) + " -o " + inShell(output) + " --part " + number + "/" +
               std::to_string(count) + " --threads " + std::to_string(threads) + options;
    }
    std::string join(bool force) const
    {
        return inShell(program) + " join " + inShell(project) + " -o " + inShell(output) + (force ? " --force" : "");
    }
};

void writePlain(std::ostream& out, const Job& job, bool force)
{
    for (int number = 1; number <= job.count; ++number)
        out << job.render(std::to_string(number)) << '\n';
    out << job.join(force) << '\n';
}

void writeMake(std::ostream& out, const Job& job, bool force)
{
    const auto part = [](int number) { return "part-" + std::to_string(number); };
    out << "# Renders a film in " << job.count << " parts and joins them: make -f THIS -j4\n"
        << "# Parts that are there already are kept; a part that failed is rendered again.\n"
        << ".PHONY: film";
    for (int number = 1; number <= job.count; ++number)
        out << ' ' << part(number);
    out << "\nfilm:";
    for (int number = 1; number <= job.count; ++number)
        out << ' ' << part(number);
    // Its parts are gone when the film is there: a second call has nothing to do.
    const bool once = !force && !isSequence(*filmFormatOf(job.output));
    const std::string unless = once ? "test -e " + inShell(job.output) + " || " : "";
    out << "\n\t" << inMake(unless + job.join(force)) << '\n';
    for (int number = 1; number <= job.count; ++number)
        out << part(number) << ":\n\t" << inMake(unless + job.render(std::to_string(number))) << '\n';
}

void writeSlurm(std::ostream& out, const Job& job, bool force)
{
    const std::string name = inShell("ember-" + fs::path(job.output).filename().string());
    std::string folder; // a % is the beginning of a pattern there
    for (const char c : partsFolder(job.output))
        folder += c == '%' ? std::string("%%") : std::string(1, c);
    const std::string log = inShell(folder + "/slurm-%A_%a.log");
    const std::string joinLog = inShell(folder + "/slurm-join-%j.log");
    out << "#!/bin/sh\n"
        << "# Gives a film to Slurm: an array of " << job.count
        << " parts, and a job that joins them when all are done.\n"
        << "# Parts that are there already are kept, so run it again to render only those that failed.\n"
        << "# Partition, account, time and memory: SBATCH_PARTITION, SBATCH_ACCOUNT, SBATCH_TIMELIMIT, …\n"
        << "set -eu\n"
        << "mkdir -p " << inShell(partsFolder(job.output)) << '\n'
        << "parts=$(sbatch --parsable --job-name=" << name << " --array=1-" << job.count
        << " --cpus-per-task=" << job.threads << " --output=" << log << " <<'END'\n"
        << "#!/bin/sh\n"
        << "exec " << job.render("\"$SLURM_ARRAY_TASK_ID\"") << "\nEND\n)\n"
        << "joined=$(sbatch --parsable --job-name=" << name << " --dependency=\"afterok:${parts%%;*}\""
        << " --kill-on-invalid-dep=yes --output=" << joinLog << " <<'END'\n"
        << "#!/bin/sh\n"
        << "exec " << job.join(force) << "\nEND\n)\n"
        << "echo \"parts: job ${parts%%;*}, joined by job ${joined%%;*}\"\n";
}

class PartsCommand final : public Command {
public:
    void declare(CLI::App& app) override
    {
        app.add_option("PROJECT", path_, "The project, NAME.vember")->required();
        app.add_option("-o,--output", output_, "The film or the numbered pictures, as for render")->required();
        app.add_option("--count", count_, "How many parts")->required()->check(CLI::Range(1, mostParts));
        app.add_option("--for", form_, "slurm: a script for sh; make: a makefile; plain: commands, the last one joins")
            ->required()
            ->check(CLI::IsMember({"slurm", "make", "plain"}));
        app.add_option("--threads", threads_, "Threads of each part (default 1: parts run side by side)")
            ->check(CLI::Range(1, 1024));
        app.add_option("--program", program_, "The batch tool on those machines (default: vast-ember-batch)");
        app.add_option("--frames", frames_, "As for render")->check(frameRangeSpelling());
        app.add_option("--size", size_, "As for render")->check(sizeSpelling());
        for (const auto& [option, value] : passed())
            app.add_option(option, *value, "As for render");
        app.add_flag("--gentle", gentle_, "As for render");
        app.add_flag("--strict", strict_, "As for render");
        app.add_flag("--force", force_, "Replace the film if it exists");
    }

    Status run(const BatchStreams& streams) override
    {
        const auto project = loadProject(path_);
        if (!project)
            return project.error();
        const auto frames = frameRange(frames_, project->length());
        if (!frames)
            return frames.error();
        auto coder = Coder::usual;
        for (const CoderWords& words : coderWords)
            if (words.word == coder_)
                coder = words.coder;
        RenderFile file{output_, wholeFilm(project.value()).form};
        file.form.coder = coder;
        // What would stop every part is told here.
        if (const auto first = framesOfPart(file, project->rate, Frame{frames->first}, Frame{frames->last},
                                            {1, static_cast<int>(count_)});
            !first)
            return first.error();
        if (Status may = guardOf(project.value(), path_)
                             .mayWrite(output_, force_ || isSequence(*filmFormatOf(output_)), forceReplaces);
            !may)
            return may;
        streams.out << text();
        return Done{};
    }

private:
    std::vector<std::pair<const char*, std::string*>> passed()
    {
        return {{"--quality", &quality_}, {"--coder", &coder_}, {"--depth", &depth_}, {"--preset", &preset_}};
    }

    std::string text()
    {
        std::error_code ignored;
        Job job{program_, fs::absolute(path_, ignored).string(), fs::absolute(output_, ignored).string(), {}, count_,
                threads_};
        const auto add = [&](const std::string& option, const std::string& value) {
            if (!value.empty())
                job.options += " " + option + " " + inShell(value);
        };
        add("--frames", frames_);
        add("--size", size_);
        for (const auto& [option, value] : passed())
            add(option, *value);
        job.options += std::string(gentle_ ? " --gentle" : "") + (strict_ ? " --strict" : "");
        std::ostringstream text;
        if (form_ == "slurm")
            writeSlurm(text, job, force_);
        else if (form_ == "make")
            writeMake(text, job, force_);
        else
            writePlain(text, job, force_);
        return text.str();
    }

    std::string path_;
    std::string output_;
    std::string form_;
    std::string program_ = "vast-ember-batch";
    std::string frames_;
    std::string size_;
    std::string quality_;
    std::string coder_;
    std::string depth_;
    std::string preset_;
    int count_ = 1;
    int threads_ = 1;
    bool gentle_ = false;
    bool strict_ = false;
    bool force_ = false;
};

} // namespace

std::unique_ptr<Command> makePartsCommand()
{
    return std::make_unique<PartsCommand>();
}

} // namespace ember
