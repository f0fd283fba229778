// How one kind of pages is made: what they are headed with, how the paper lies, who draws them.
#pragma once

#include "pictures/paper/page.h"
#include "pictures/paper/print.h"

namespace pp {

struct Sheaf {
  QString title;
  std::function<void(Page&, const PrintWatch&)> draw;
};

// A problem where there is nothing to make them of.
Result<Sheaf> partsListPages(const PrintInput& input);
Result<Sheaf> sheetPages(const PrintInput& input);
Result<Sheaf> cuttingListPages(const PrintInput& input);
Result<Sheaf> labelPages(const PrintInput& input);
Result<Sheaf> machiningPages(const PrintInput& input);
Result<Sheaf> bandingPages(const PrintInput& input);
Result<Sheaf> finishingPages(const PrintInput& input);
Result<Sheaf> assemblyPages(const PrintInput& input);
Result<Sheaf> installingPages(const PrintInput& input);
Result<Sheaf> templatePages(const PrintInput& input);
Result<Sheaf> measuringPages(const PrintInput& input);
Result<Sheaf> shoppingPages(const PrintInput& input);
Result<Sheaf> tagPages(const PrintInput& input);

}  // namespace pp
