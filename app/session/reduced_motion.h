// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace ember::app {

/// Whether the desktop is told that its person wishes for less motion: by its settings portal (org.freedesktop.portal,
/// "reduced-motion" or "enable-animations"), by KDE's AnimationDurationFactor 0, or by gtk-enable-animations false in
/// GTK's settings. Asked once; what is not there counts as no wish.
bool desktopPrefersLessMotion();
/// Asks again: for tests, and for who changed it.
void askDesktopAgain();

} // namespace ember::app
