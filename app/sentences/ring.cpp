#include <algorithm>
#include <array>

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
    begin();
    say(tr("They are"));
    // Of the joints, those that a mitre can have.
    static constexpr std::array kJoints = {Joint::Butt, Joint::LooseTenon, Joint::Dowel};
    QStringList joints;
    for (const Joint joint : kJoints) joints << said(joint);
    joints[0] = tr("glued");
    const auto chosen = std::find(kJoints.begin(), kJoints.end(), body_.joint) - kJoints.begin();
    choice(tr("joint"), joints, static_cast<int>(chosen),
           [](Ring& r, int i) { r.joint = kJoints[static_cast<std::size_t>(i)]; });
    if (body_.joint != Joint::Butt) {
      say(tr(","));
      count(tr("tenons or dowels a joint"), &Ring::perJoint, 1, 20);
      say(tr("in each joint, %1 in all").arg(body_.perJoint * body_.pieces));
    }
    say(tr("."));
    return std::move(out_);
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const Ring& of) {
  return RingWriter(in.job, of).run();
}

template <>
QString remark(const Ring& of) {
  return QObject::tr(
             "All %1 pieces come from one stop with one bevel; cut a test ring of scrap "
             "first, an error shows %1 times.")
      .arg(of.pieces);
}

}  // namespace pp
