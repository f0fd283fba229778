// The colours and fonts of the program: paper, graphite, a red pencil, slate.
#pragma once

#include <QColor>
#include <QFont>

namespace pp::look {

inline const QColor kPaper{0xF5, 0xF0, 0xE6};
inline const QColor kCard{0xFC, 0xF9, 0xF3};  // a lighter sheet of paper, for lists and fields
inline const QColor kGraphite{0x2B, 0x29, 0x26};
inline const QColor kPencil{0x5C, 0x57, 0x50};  // graphite pressed lightly; 6:1 on paper
inline const QColor kFaint{0x9A, 0x93,
                           0x88};  // what is there and not the thing to look at; never text
inline const QColor kRule{0xCF, 0xC6, 0xB4};   // ruled lines, never text
inline const QColor kRed{0xA8, 0x38, 0x2B};    // the thing to do next or to fix
inline const QColor kSlate{0x3D, 0x5A, 0x66};  // what is selected
inline const QColor kSlateWash{0xDC, 0xE4, 0xE6};

// Makes the fonts that ship with the program known; call once after the application exists.
void loadFonts();

// Made from B612 (fonts/make), to be read in bad light: 6, 9, 1 and 7 cannot be mistaken, and a
// fraction is drawn as one. Sizes in pixels.
QFont text(int pixels, bool bold = false);

constexpr int kBody = 14;
// Of figures in tables and drawings: its digits are 13 pixels high, to be read at arm's length.
constexpr int kFigure = 17;
constexpr int kLeast = 12;  // digits of nine pixels: nothing is set smaller

}  // namespace pp::look
