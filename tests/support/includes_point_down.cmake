# Who may include whom: -DSOURCE=the folder src, or a copy of its layout.
cmake_minimum_required(VERSION 3.25)

function(forbid files reason)
    foreach(file ${files})
        foreach(forbidden ${ARGN})
            file(STRINGS ${file} lines REGEX "^#include \"${forbidden}")
            foreach(line ${lines})
                message(SEND_ERROR "${file}: ${line}: ${reason}")
            endforeach()
        endforeach()
    endforeach()
endfunction()
# The sources below folders of src, into `all`.
macro(sources_of)
    set(all)
    foreach(folder ${ARGN})
        file(GLOB_RECURSE found ${SOURCE}/${folder}/*.h ${SOURCE}/${folder}/*.cpp)
        list(APPEND all ${found})
    endforeach()
endmacro()

# The layers: core <- store <- app, cli, benchmeter.
set(above_core store cli app benchmeter)
set(above_store cli app benchmeter)
set(above_cli app benchmeter)
set(above_app cli benchmeter)
set(above_benchmeter cli app)
foreach(layer core store cli app benchmeter)
    sources_of(${layer})
    foreach(above ${above_${layer}})
        forbid("${all}" "${layer} may not use ${above}" ${above}/)
    endforeach()
endforeach()

# Inside core: laws <- record <- analysis, jot <- work <- house. Work reads house in one table only.
file(GLOB laws RELATIVE ${SOURCE}/core ${SOURCE}/core/*)
list(REMOVE_ITEM laws record analysis jot work house)
foreach(law ${laws})
    if(IS_DIRECTORY ${SOURCE}/core/${law})
        sources_of(core/${law})
        forbid("${all}" "a law knows no record" core/record/ core/analysis/ core/jot/ core/work/
               core/house/)
    endif()
endforeach()
sources_of(core/record)
forbid("${all}" "a record knows no judgement and no solver" core/analysis/ core/jot/ core/work/
       core/house/ core/circuit/ core/finding/)
sources_of(core/jot)
forbid("${all}" "the language knows no facts and no stage" core/analysis/ core/work/ core/house/)
sources_of(core/analysis)
forbid("${all}" "facts know neither language nor stages" core/jot/ core/work/ core/house/)

# A stage knows no other, nor does what the window shows of it; only the tables know a stage's
# files, and of the workshop's own stations neither.
foreach(kind work house)
    file(GLOB stages RELATIVE ${SOURCE}/core/${kind} ${SOURCE}/core/${kind}/*)
    list(FILTER stages EXCLUDE REGEX "\\.")
    list(LENGTH stages count)
    if(count LESS 2)
        message(SEND_ERROR "no stages found under ${SOURCE}/core/${kind}")
    endif()
    foreach(stage ${stages})
        sources_of(core app cli store benchmeter)
        list(FILTER all EXCLUDE REGEX
             "/${stage}/|/(job|workshop)_stages.cpp$|/stage_views.cpp$")
        forbid("${all}" "only the tables know ${stage}" core/${kind}/${stage}/ app/${stage}/)
    endforeach()
endforeach()
