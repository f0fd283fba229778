// Assemblies to begin from: fragments of a job file, each in a JSON file of its own. Materials in
// them are named by what they are for, so that a fragment goes into any job.
#pragma once

#include <string>
#include <string_view>

#include "core/formats/job_json.h"

namespace pp {

struct Kind;  // core/kinds/kind.h

struct LibraryItem {
  std::string name;              // "closed base, two doors"
  std::string about;             // one sentence
  std::string text;              // the assembly's JSON, materials by role
  Unit unit = Unit::Millimetre;  // that its sizes were said in
};

// A file: {"format": "plain-patch-assembly", "version": 2, "name", "about", "unit": "in" where it
// is not in millimetres, "assembly": {...}}.
Result<LibraryItem> readLibraryItem(const std::string& file, std::string_view text);

// The assembly with this job's materials in the roles: "case" the thickest, "back" and "bottom" the
// thinnest, "box" the one between, "front" as the case, "solid" the first lumber, else the case.
// Banding in role "edge" is the job's first, or none. Code and ids are those of the file: addCopy()
// puts it into a job. Sizes in the other unit than the job's become the nearest that are usual.
Result<Fragment> placed(const LibraryItem& item, const Job& job);

// A new assembly of a kind, in sizes that are usual in the job's unit.
Assembly begun(const Job& job, const Kind& kind);

// An assembly of the job as a fragment, materials named by the same roles where they fill one.
std::string writeLibraryItem(const std::string& name, const std::string& about,
                             const Assembly& assembly, const Job& job);

}  // namespace pp
