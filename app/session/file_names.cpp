#include "app/session/file_names.h"

namespace pp {

QString fileStem(const QString& name) {
  QString out = name.trimmed();
  out.replace(QLatin1Char('/'), QLatin1Char('-'));
  while (out.startsWith(QLatin1Char('.'))) out.remove(0, 1);
  // A disk takes 255 bytes; "cutting list.pdf" and the like want some of them.
  constexpr qsizetype kMostBytes = 200;
  while (out.toUtf8().size() > kMostBytes) out.chop(1);
  if (!out.isEmpty() && out.back().isHighSurrogate()) out.chop(1);
  return out.isEmpty() ? QStringLiteral("job") : out;
}

}  // namespace pp
