// Names of files made from names of things.
#pragma once

#include <QString>

namespace pp {

// The name as a file can have it: no slash, no leading dot, and short enough to add an ending to.
QString fileStem(const QString& name);

}  // namespace pp
