// Opens a PDF, runs the drawing of its pages, and puts the file in its place.
#pragma once

#include <QPdfWriter>
#include <functional>

#include "pictures/paper/page.h"
#include "pictures/paper/print.h"

namespace pp {

std::optional<Problem> writePdf(const QString& path, Paper paper, bool landscape,
                                const QString& title, const PrintWatch& watch,
                                const std::function<void(Page&)>& draw);

}  // namespace pp
