// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <filesystem>
#include <initializer_list>
#include <ostream>
#include <sstream>

#include "command.h"
#include "ember/film/film_inputs.h"
#include "ember/film/film_parts.h"
#include "ember/film/media_source.h"
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
    std::string command; ///< what is done in parts: render, spot or capture
    std::string input;   ///< the project or the clip; absolute, as the output is: a job may run anywhere
    std::string output;
    std::string options; ///< of the command, each with a space before it
    int count = 1;
    int threads = 1;

    bool film() const { return command == "render"; }
    std::string part(const std::string& number) const
    {
        return inShell(program) + " " + command + " " + inShell(input) + " -o " + inShell(output) + " --part " +
               number + "/" + std::to_string(count) + (film() ? " --threads " + std::to_string(threads) : "") + options;
    }
    std::string join(bool force) const
    {
        return inShell(program) + (film() ? " join " : " " + command + " --join ") + inShell(input) + " -o " +
               inShell(output) + (film() ? "" : options) + (force ? " --force" : "");
    }
};

void writePlain(std::ostream& out, const Job& job, bool force)
{
    for (int number = 1; number <= job.count; ++number)
        out << job.part(std::to_string(number)) << '\n';
    out << job.join(force) << '\n';
}

void writeMake(std::ostream& out, const Job& job, bool force)
{
    const auto part = [](int number) { return "part-" + std::to_string(number); };
    out << "# Does its work in " << job.count << " parts and joins them: make -f THIS -j4\n"
        << "# Parts that are there already are kept; a part that failed is made again.\n"
        << ".PHONY: all";
    for (int number = 1; number <= job.count; ++number)
        out << ' ' << part(number);
    out << "\nall:";
    for (int number = 1; number <= job.count; ++number)
        out << ' ' << part(number);
    // Its parts are gone when the film is there: a second call has nothing to do.
    const bool once = !force && !(job.film() && isSequence(*filmFormatOf(job.output)));
    const std::string unless = once ? "test -e " + inShell(job.output) + " || " : "";
    out << "\n\t" << inMake(unless + job.join(force)) << '\n';
    for (int number = 1; number <= job.count; ++number)
        out << part(number) << ":\n\t" << inMake(unless + job.part(std::to_string(number))) << '\n';
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
        << "# Gives work to Slurm: an array of " << job.count
        << " parts, and a job that joins them when all are done.\n"
        << "# Parts that are there already are kept, so run it again for only those that failed.\n"
        << "# Partition, account, time and memory: SBATCH_PARTITION, SBATCH_ACCOUNT, SBATCH_TIMELIMIT, …\n"
        << "set -eu\n"
        << "mkdir -p " << inShell(partsFolder(job.output)) << '\n'
        << "parts=$(sbatch --parsable --job-name=" << name << " --array=1-" << job.count
        << " --cpus-per-task=" << job.threads << " --output=" << log << " <<'END'\n"
        << "#!/bin/sh\n"
        << "exec " << job.part("\"$SLURM_ARRAY_TASK_ID\"") << "\nEND\n)\n"
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
        app.add_option("INPUT", path_, "The project, NAME.vember; for spot and capture the clip")->required();
        app.add_option("-o,--output", output_, "What is to be written, as for the command")->required();
        app.add_option("--count", count_, "How many parts")->required()->check(CLI::Range(1, mostParts));
        app.add_option("--for", form_, "slurm: a script for sh; make: a makefile; plain: commands, the last one joins")
            ->required()
            ->check(CLI::IsMember({"slurm", "make", "plain"}));
        app.add_option("--command", command_, "What is done in parts: render (default), spot or capture")
            ->check(CLI::IsMember({"render", "spot", "capture"}));
        app.add_option("--threads", threads_, "Threads of each part (default 1: parts run side by side)")
            ->check(CLI::Range(1, 1024));
        app.add_option("--program", program_, "The batch tool on those machines (default: vast-ember-batch)");
        app.add_option("--frames", frames_, "As for render")->check(frameRangeSpelling());
        app.add_option("--size", size_, "As for render")->check(sizeSpelling());
        for (const auto& [option, value] : passed())
            app.add_option(option, *value, "As for render");
        app.add_flag("--gentle", gentle_, "As for render");
        app.add_flag("--strict", strict_, "As for render");
        app.add_flag("--force", force_, "Replace what is written if it exists");
        app.add_option("OPTIONS", more_, "After --: options of spot or capture");
    }

    Status run(const BatchStreams& streams) override
    {
        if (Status may = command_ == "render" ? mayRender() : mayAnalyse(); !may)
            return may;
        streams.out << text();
        return Done{};
    }

private:
    /// What would stop every part is told before there is any.
    Status mayRender()
    {
        if (!more_.empty())
            return Error{ErrorCode::badValue, more_.front(), "what comes after -- is for spot and capture"};
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
        if (const auto first =
                framesOfPart(file, project->rate, Frame{frames->first}, Frame{frames->last}, {1, count_});
            !first)
            return first.error();
        return guardOf(project.value(), path_)
            .mayWrite(output_, force_ || isSequence(*filmFormatOf(output_)), forceReplaces);
    }

    Status mayAnalyse()
    {
        for (const auto& [option, given] :
             std::initializer_list<std::pair<const char*, bool>>{{"--frames", !frames_.empty()},
                                                                 {"--size", !size_.empty()},
                                                                 {"--quality", !quality_.empty()},
                                                                 {"--coder", !coder_.empty()},
                                                                 {"--depth", !depth_.empty()},
                                                                 {"--preset", !preset_.empty()},
                                                                 {"--gentle", gentle_},
                                                                 {"--strict", strict_}})
            if (given)
                return Error{ErrorCode::badValue, option, "it is an option of render"};
        CLI::App app;
        const auto command = command_ == "spot" ? makeSpotCommand() : makeCaptureCommand();
        command->declare(app);
        std::vector<std::string> arguments{"1/" + std::to_string(count_), "--part", output_, "-o", path_};
        arguments.insert(arguments.begin(), more_.rbegin(), more_.rend());
        try {
            app.parse(arguments); // the last one first
        } catch (const CLI::ParseError& error) {
            return Error{ErrorCode::badValue, "After --", error.what()};
        }
        const auto job = watchingJob(path_, {}, output_);
        if (!job)
            return job.error();
        if (const auto first = framesOfPart(job.value(), {1, count_}); !first)
            return first.error();
        ResultOptions result;
        result.output = output_;
        result.force = force_;
        return result.mayWrite(path_);
    }

    std::vector<std::pair<const char*, std::string*>> passed()
    {
        return {{"--quality", &quality_}, {"--coder", &coder_}, {"--depth", &depth_}, {"--preset", &preset_}};
    }

    std::string text()
    {
        std::error_code ignored;
        Job job{program_, command_, fs::absolute(path_, ignored).string(), fs::absolute(output_, ignored).string(), {},
                count_,   threads_};
        const auto add = [&](const std::string& option, const std::string& value) {
            if (!value.empty())
                job.options += " " + option + " " + inShell(value);
        };
        add("--frames", frames_);
        add("--size", size_);
        for (const auto& [option, value] : passed())
            add(option, *value);
        job.options += std::string(gentle_ ? " --gentle" : "") + (strict_ ? " --strict" : "");
        for (const std::string& option : more_)
            job.options += " " + inShell(option);
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
    std::string command_ = "render";
    std::vector<std::string> more_;
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
