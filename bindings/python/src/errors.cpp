// SPDX-License-Identifier: GPL-3.0-or-later
#include <array>
#include <map>

#include "bound.h"

namespace ember::python {

namespace {

/// The exceptions by the engine's codes; they live as long as the module.
std::map<ErrorCode, py::handle>& exceptions()
{
    static std::map<ErrorCode, py::handle> all;
    return all;
}

struct Class {
    const char* name;
    PyObject* also; ///< Python's own exception that it is, too
    const char* about;
    std::vector<ErrorCode> codes;
};

} // namespace

void refuse(const std::string& what, const Phrase& why)
{
    throw Failure{{ErrorCode::badValue, what, why}};
}

void bindErrors(py::module_& module)
{
    using enum ErrorCode;
    const auto make = [&](const Class& one, py::handle base) {
        py::list bases;
        if (base)
            bases.append(base);
        bases.append(py::reinterpret_borrow<py::object>(one.also));
        const std::string name = std::string("vast_ember.") + one.name;
        py::object type = py::reinterpret_steal<py::object>(
            PyErr_NewExceptionWithDoc(name.c_str(), one.about, py::tuple(bases).ptr(), nullptr));
        module.attr(one.name) = type;
        for (const ErrorCode code : one.codes)
            exceptions()[code] = type; // the module holds it
        return type;
    };
    const py::object base = make({"Error",
                                  PyExc_Exception,
                                  "Whatever the engine could not do, in a sentence.",
                                  {notMedia, noPicture, damaged, unsupported, badFormat, failed}},
                                 {});
    make({"NotFoundError", PyExc_FileNotFoundError, "A file that is not there.", {notFound}}, base);
    make({"ExistsError", PyExc_FileExistsError, "A file that is there and may not be replaced.", {exists}}, base);
    make({"AccessError", PyExc_PermissionError, "A file that cannot be read or written.", {unreadable, unwritable}},
         base);
    make({"ValueRangeError", PyExc_ValueError, "A value, key or array that cannot be used.", {badValue}}, base);
    make({"CancelledError", PyExc_RuntimeError, "Work that was stopped on request.", {cancelled}}, base);
    py::register_exception_translator(
        [](std::exception_ptr thrown) { // NOLINT(performance-unnecessary-value-param): the library asks for it so
            try {
                if (thrown)
                    std::rethrow_exception(thrown);
            } catch (const Failure& failure) {
                PyErr_SetString(exceptions()[failure.error.code].ptr(), sentence(failure.error).c_str());
            }
        });
}

bool ScriptProgress::operator()(double share)
{
    const py::gil_scoped_acquire lock;
    try {
        if (PyErr_CheckSignals() != 0)
            throw py::error_already_set();
        if (told_.is_none())
            return true;
        const py::object answer = told_(share);
        return answer.is_none() || answer.cast<bool>();
    } catch (...) {
        thrown_ = std::current_exception();
        return false;
    }
}

void ScriptProgress::throwStopped()
{
    if (thrown_)
        std::rethrow_exception(thrown_);
}

} // namespace ember::python
