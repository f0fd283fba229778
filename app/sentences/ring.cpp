#include <algorithm>

#include "app/sentences/degrees.h"
#include "app/sentences/writer.h"

namespace pp {
namespace {

class RingWriter : public SentenceWriter<Ring> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The ring is"));
    count(tr("number of pieces"), &Ring::pieces, 3, 100);
    say(tr("equal pieces of"));
    material(tr("ring material"), &Ring::material);
    say(tr(", each"));
    length(tr("side"), &Ring::side);
    say(tr("long at its long points and"));
    length(tr("board width"), &Ring::width);
    say(tr("wide, both ends bevelled %1.")
            .arg(degreesText(Angle::millidegrees(180'000 / std::max(body_.pieces, 3)))));
    return std::move(out_);
  }
};

}  // namespace

std::vector<Paragraph> sentence(const Saying& in, const Ring& of) {
  return RingWriter(in.job, of).run();
}

QString remark(const Ring& of) {
  return QObject::tr(
             "All %1 pieces come from one stop with one bevel; cut a test ring of scrap "
             "first, an error shows %1 times.")
      .arg(of.pieces);
}

}  // namespace pp
