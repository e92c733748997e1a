<?php

declare(strict_types=1);

/*
 * What a person reads when something cannot be done with what was given. The key is the code of the failed act, as the
 * interface gives it; ":name" stands for a fact. What the core refuses has its words in core/words/refusals.json.
 */
return [
    'archive_unwritable' => 'The archive cannot be written here; is the disk full? Nothing was stored.',
    'archive_too_large' => 'An archive is taken in from a page up to 2 GB; larger ones from the command line of the machine.',
    'another_test' => 'scale: another analyte, unit or scale makes another test, and its evidence must begin anew; accepted '.
        'is the scale as it is; add the changed one as a method of its own.',
    'answers_unlike_tubes' => 'The number of answers must be one for each of :tubes tubes, :answers given.',
    'area_of_parts' => 'the area: it has :parts parts; accepted is an area of one piece.',
    'clock_off' => 'The clock of this device is off by :minutes min; accepted is up to :most min. Set it right, so that '.
        'times can be trusted.',
    'file_without_areas' => 'The file holds no area.',
    'jar_without_depth_or_temperature' => 'When to read a jar follows from the depth of its water and the temperature; '.
        'accepted are both, in centimetres and °C.',
    'lot_expired' => 'Lot :lot of :reagent expired on :day. Take another lot; with this one, which you may choose '.
        'knowingly, every reading is left out of the verdict.',
    'lot_of_another_method' => 'One of the lots is none of this method.',
    'no_part_is_an_area' => ':why',
    'no_portion_chosen' => 'Nothing is chosen; accepted are one portion or more.',
    'no_such_calibration' => 'There is no such calibration.',
    'not_calibrated_there' => 'The pen was not calibrated in a buffer of :buffer; accepted are :buffers.',
    'not_for_the_bench' => ':portion is not for the bench; accepted are bench and archive portions.',
    'portion_of_another_site' => 'Portion :portion is none of this site.',
    'records_open' => 'Something of the file is still to be said: :asks',
    'records_unsettled' => 'A number of the file could be read in two ways; say what the comma is.',
    'records_without_pairs' => 'No row of the file holds a pair; accepted is a file with at least one.',
    'report_without_results' => 'no row holds a result of a portion of this team; accepted is a file with at least one '.
        'result.',
    'too_many_tubes' => 'The number of tubes must be up to :most in one run, :tubes given.',
    'tubes_without_values' => 'The values of the tubes are not said; accepted are two or more numbers.',
    'two_lots' => 'Two lots of :reagent are chosen; accepted is one of each reagent.',
];
