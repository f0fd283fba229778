#include "core/breakdown/loose.h"

#include "core/breakdown/banding.h"

namespace pp {

Result<Part> loosePart(const Job& job, const LooseBoard& board) {
  Part part;
  part.name = board.name.empty() ? "board" : board.name;
  part.assembly = kLooseCode;
  part.quantity = board.quantity;
  part.material = board.material;
  part.thickness = findMaterial(job, board.material)->measured;
  part.length = Reason("typed length", board.length);
  part.width = Reason("typed width", board.width);
  part.grain = board.grain == BoardGrain::Length  ? PartGrain::Length
               : board.grain == BoardGrain::Width ? PartGrain::Width
                                                  : PartGrain::Any;
  // Nobody knows which way a loose board will stand; as drawn, its length lies level.
  part.edges = {Side::Bottom, Side::Top, Side::Left, Side::Right};
  for (const Edge edge : {Edge::L1, Edge::L2}) band(part, edge, findBanding(job, board.bandLong));
  for (const Edge edge : {Edge::W1, Edge::W2}) band(part, edge, findBanding(job, board.bandShort));
  if (part.cutLength() <= Length{} || part.cutWidth() <= Length{})
    return Problem{
        {}, 0, part.name, "a board that its banding takes up", "a larger board or thinner banding"};
  return part;
}

}  // namespace pp
