#include "app/sentences/writer.h"

namespace pp {
namespace {

class HungShelfWriter : public SentenceWriter<HungShelf> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The shelf is"));
    length(tr("width"), &HungShelf::width);
    say(tr("wide and"));
    length(tr("depth"), &HungShelf::depth);
    say(tr("deep from the wall, of"));
    material(tr("shelf material"), &HungShelf::material);
    say(tr("with"));
    banding(tr("edge banding"), body_.banding,
            [](HungShelf& s, const std::string& id) { s.banding = id; });
    say(tr("on its edges."));
    begin();
    say(tr("Braces"));
    length(tr("brace height"), &HungShelf::brace);
    say(tr("high stand"));
    length(tr("brace set-in"), &HungShelf::setIn);
    say(tr("in from its ends, tapered to"));
    length(tr("brace foot"), &HungShelf::braceFoot);
    say(tr("deep at the foot."));
    begin();
    say(tr("Between them it hangs on strips of"));
    material(tr("cleat material"), &HungShelf::cleatMaterial);
    say(tr(", each half"));
    length(tr("cleat height"), &HungShelf::cleatHeight);
    say(tr("high; a spacer keeps the braces upright below."));
    return std::move(out_);
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const HungShelf& of) {
  return HungShelfWriter(in.job, of).run();
}

template <>
QString remark(const HungShelf& /*of*/) {
  return QObject::tr("The wall's half goes into studs or masonry: follow the local code.");
}

}  // namespace pp
