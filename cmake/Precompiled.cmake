# SPDX-License-Identifier: GPL-3.0-or-later
# Headers of the standard library and of Qt are read once for each family of targets instead of once for each source:
# reading them was more than half of all compiling. Only headers that do not change are here, so that an edit of ours
# never makes all of a family anew, and every source still includes what it uses: EMBER_PRECOMPILED=OFF proves it.
option(EMBER_PRECOMPILED "Read the headers of the standard library and of Qt once for each family of targets" ON)

set(EMBER_STANDARD_HEADERS <algorithm> <array> <atomic> <charconv> <cmath> <cstdint> <cstdio> <cstring> <filesystem>
  <functional> <limits> <map> <memory> <mutex> <numbers> <optional> <ostream> <set> <span> <sstream> <string>
  <string_view> <thread> <utility> <variant> <vector>)
set(EMBER_JSON_HEADERS ${EMBER_STANDARD_HEADERS} <nlohmann/json.hpp>)
set(EMBER_COMMAND_HEADERS ${EMBER_JSON_HEADERS} <CLI/CLI.hpp>)
set(EMBER_WINDOW_HEADERS ${EMBER_STANDARD_HEADERS} <QApplication> <QAction> <QCheckBox> <QComboBox> <QCoreApplication>
  <QDialog> <QDialogButtonBox> <QDir> <QElapsedTimer> <QFile> <QFileInfo> <QFormLayout> <QGridLayout> <QHBoxLayout>
  <QImage> <QKeyEvent> <QLabel> <QLineEdit> <QListWidget> <QMenu> <QMenuBar> <QMessageBox> <QMouseEvent> <QObject>
  <QPainter> <QPainterPath> <QPlainTextEdit> <QPointer> <QProgressBar> <QPushButton> <QRegularExpression> <QScrollArea>
  <QScrollBar> <QSettings> <QSignalBlocker> <QStackedWidget> <QString> <QStringList> <QTableWidget> <QTimer>
  <QToolButton> <QToolTip> <QVBoxLayout> <QWheelEvent> <QWidget>)
set(EMBER_TEST_HEADERS ${EMBER_STANDARD_HEADERS} <QDir> <QFile> <QProcess> <QRegularExpression> <QStandardPaths>
  <QTemporaryDir> <QTest>)

set(EMBER_WINDOW_TEST_HEADERS ${EMBER_WINDOW_HEADERS} <QProcess> <QSignalSpy> <QTemporaryDir> <QTest>)

# ember_precompiled(TARGET FAMILY [LINKS...]): the target uses the family's headers. The first call of a family makes
# them, with what is linked by all of it.
function(ember_precompiled target family)
  if(NOT EMBER_PRECOMPILED)
    return()
  endif()
  set(holder ember_${family}_headers)
  if(NOT TARGET ${holder})
    string(TOUPPER ${family} FAMILY)
    file(GENERATE OUTPUT ${CMAKE_BINARY_DIR}/${holder}.cpp CONTENT "// Holds the headers of this family.\n")
    add_library(${holder} OBJECT ${CMAKE_BINARY_DIR}/${holder}.cpp)
    target_link_libraries(${holder} PRIVATE ${ARGN} ember_warnings)
    target_precompile_headers(${holder} PRIVATE ${EMBER_${FAMILY}_HEADERS})
  endif()
  target_precompile_headers(${target} REUSE_FROM ${holder})
endfunction()

# Rooms of many sources that all read the same large headers and templates are compiled several sources at a time: the
# commands of the batch tool in a fifth of the time. Names in unnamed namespaces are then one room's and not one file's:
# two sources of a room may not have the same. Rooms of hot loops, and those that are changed with their tests beside
# them, are compiled source by source.
option(EMBER_UNITY "Compile several sources of a room at a time" ON)
set(EMBER_UNITY_SIZE 8 CACHE STRING "How many")
function(ember_unity target)
  if(EMBER_UNITY)
    set_target_properties(${target} PROPERTIES UNITY_BUILD ON UNITY_BUILD_BATCH_SIZE ${EMBER_UNITY_SIZE})
  endif()
endfunction()
