// How every kind of assembly stands in a job's file.
#pragma once

#include "core/kinds/base_frame/fields.h"
#include "core/kinds/boards/fields.h"
#include "core/kinds/box_set/fields.h"
#include "core/kinds/carcass/fields.h"
#include "core/kinds/group/fields.h"
#include "core/kinds/hung_shelf/fields.h"
#include "core/kinds/platform/fields.h"
#include "core/kinds/ring/fields.h"
#include "core/kinds/seat_box/fields.h"
#include "core/kinds/top/fields.h"
#include "core/kinds/wall_panel/fields.h"
