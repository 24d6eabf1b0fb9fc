// SPDX-License-Identifier: GPL-3.0-or-later
// What the parts of the Python module share.
#pragma once

#include <pybind11/numpy.h>
#include <pybind11/pybind11.h>
#include <pybind11/stl.h>

#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/core/time.h"
#include "ember/image/image.h"

namespace ember::python {

namespace py = pybind11;

/// An error of the engine on its way to Python, which gets the exception of its code with our sentence.
struct Failure {
    Error error;
};

template <typename T>
T valueOf(Result<T> result)
{
    if (!result)
        throw Failure{result.error()};
    return std::move(result).value();
}
inline void check(const Status& status)
{
    if (!status)
        throw Failure{status.error()};
}
/// Values of the wrong kind, shape or range.
[[noreturn]] void refuse(const std::string& what, const Phrase& why);

/// Work without Python's lock: other threads of the script run. Ctrl+C stops it (see progressTo).
template <typename Work>
auto unlocked(Work&& work)
{
    const py::gil_scoped_release release;
    return work();
}

/// Tells a function of the script, or nobody where it is None, called without the lock. The work stops where the
/// function returns False or raises, and on Ctrl+C; throwStopped() then raises that.
class ScriptProgress {
public:
    explicit ScriptProgress(py::object told) : told_(std::move(told)) {}
    bool operator()(double share);
    /// With the lock.
    void throwStopped();

private:
    py::object told_;
    std::exception_ptr thrown_;
};

/// A picture as an array of (height, width, 4), read-only, on the picture's own memory.
py::array arrayOf(const ImagePtr& image);
/// A picture of an array of (height, width, 3 or 4), uint8 and uint16 (codes of sRGB) or float32 (light, alpha
/// multiplied in).
ImagePtr imageOf(const py::array& array);

void bindErrors(py::module_& module);
void bindProject(py::module_& module);
void bindAnalysis(py::module_& module);

} // namespace ember::python
