#include "app/sentences/writer.h"

namespace pp {
namespace {

class WallPanelWriter : public SentenceWriter<WallPanel> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The panel is"));
    length(tr("width"), &WallPanel::width);
    say(tr("wide and"));
    length(tr("height"), &WallPanel::height);
    say(tr("high, of"));
    material(tr("panel material"), &WallPanel::material);
    say(tr("with"));
    banding(tr("edge banding"), body_.banding,
            [](WallPanel& w, const std::string& id) { w.banding = id; });
    say(tr("round it; its grain runs"));
    choice<PanelGrain>(tr("panel grain"), body_.grain,
                       [](WallPanel& w, PanelGrain i) { w.grain = i; });
    say(tr("."));
    begin();
    say(tr("It hangs on"));
    count(tr("number of cleats"), &WallPanel::cleats, 1, 10);
    say(tr("cleats of"));
    material(tr("cleat material"), &WallPanel::cleatMaterial);
    say(tr(", each half"));
    length(tr("cleat height"), &WallPanel::cleatHeight);
    say(tr("high, kept"));
    length(tr("cleat set-in"), &WallPanel::setIn);
    say(tr("in from its ends; a spacer keeps it off the wall below. Strips between the rows are"));
    length(tr("support width"), &WallPanel::support);
    say(body_.support > Length{} ? tr("wide.") : tr("wide, which is none."));
    return std::move(out_);
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const WallPanel& of) {
  return WallPanelWriter(in.job, of).run();
}

template <>
QString remark(const WallPanel& /*of*/) {
  return QObject::tr(
      "The wall's half of every cleat goes into studs or masonry: follow the local code.");
}

}  // namespace pp
