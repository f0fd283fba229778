// Words of what belongs to no class that Qt knows.
#pragma once

#include <QObject>
#include <QString>

namespace pp {

inline QString tr(const char* text) {
  return QObject::tr(text);
}

}  // namespace pp
