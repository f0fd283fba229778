#include "pictures/paint/look.h"

#include <QFontDatabase>

// Resources of a static library are linked in only when asked for by name, outside any namespace.
static void initResources() {
  Q_INIT_RESOURCE(resources);
}

namespace pp::look {

void loadFonts() {
  static bool loaded = false;
  if (loaded) return;
  loaded = true;
  initResources();
  for (const char* name :
       {"PlainPatch-Regular", "PlainPatch-Bold", "PlainPatch-Italic", "PlainPatchRaised-Regular",
        "PlainPatchRaised-Bold", "PlainPatchLowered-Regular", "PlainPatchLowered-Bold"})
    QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/%1.otf").arg(QLatin1String(name)));
}

QFont text(int pixels, bool bold) {
  QFont font(QStringLiteral("Plain Patch"));
  font.setPixelSize(pixels);
  font.setBold(bold);
  return font;
}

}  // namespace pp::look
