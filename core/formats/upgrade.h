// Files of older versions, step by step up to the one that is written now.
#pragma once

#include <string>
#include <vector>

#include "core/fields/json_archive.h"
#include "core/job/job.h"

namespace pp {

// What version 1 said of parts by their codes, which were their places in a list.
struct CodesOfVersion1 {
  struct Override {
    std::string part;
    PartOverride made;
  };
  struct Pin {
    std::string part, stock;
    JobPin made;
  };
  std::vector<Override> overrides;
  std::vector<Pin> pins;
};

// Makes the text of version 1 one of version 2, but for the ids that the rest is given and for what
// hangs on codes, which is returned. What is wrong with that is added to `problems`; what else is
// wrong is left for the reader.
CodesOfVersion1 takeVersion1(OrderedJson& json, Problems& problems);

// Makes the text of version 2 one of version 3: a pad on the right came to have a role of its own
// where there is one on the left too.
void takeVersion2(OrderedJson& json);

// Makes the text of version 3 or 4 one of version 5: an arc came to be a curve, which can lie over
// part of its edge, a taper to say of which edge it is, and the boxes of a carcass to share out its
// clear height.
void takeVersion4(OrderedJson& json);

// Makes the text of version 5 one of version 6: a cutting came to have its parts once and its plans
// in rows; a plan as it stood is one that is written whole.
void takeVersion5(OrderedJson& json);

// A fragment of the first version of the library as one of today.
std::string fragmentOfVersion1(const std::string& text);

// What version 1 passed over in silence: fields that a feature of a board does not use.
void dropUnused(Job& job);

// Gives ids and the numbers that version 1 counted out, and hangs choices and pins on the parts
// they meant. Those whose part is not there, which had no effect, are gone. Precondition:
// validate(job) finds nothing.
void upgradeFromVersion1(Job& job, const CodesOfVersion1& old);

}  // namespace pp
