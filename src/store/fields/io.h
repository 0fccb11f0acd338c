// What a file of descriptions includes.
#pragma once

#include "store/fields/read.h"
#include "store/fields/schema.h"
#include "store/fields/search_words.h"
#include "store/fields/write.h"

/// Makes the functions of a described type from its one template.
#define GLIMMET_FIELDS(Type, described)                                \
    void fields(Read& io, Type& self) { described(io, self); }         \
    void fields(Write& io, const Type& self) { described(io, self); }  \
    void fields(Schema& io, const Type& self) { described(io, self); } \
    void fields(SearchWords& io, const Type& self) { described(io, self); }
