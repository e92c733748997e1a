<?php

declare(strict_types=1);

/*
 * What a person reads when an act cannot be done, since what it was based on has changed or is closed.
 * The key is the code of the failed act, as the interface gives it; ":name" stands for a fact.
 */
return [
    'product_name_taken' => 'There is a product called :name on the shelf.',
    'shelf_full' => 'The shelf holds :most products of your own at most.',
    'draft_moved' => 'Somebody changed this draft since you opened it. Look at it again; what you typed is still here.',
    'program_moved' => 'Results, verdicts, tables or choices have moved since you looked: what you would sign is no longer what you saw. '.
        'Look at it again.',
    'program_signed' => 'A newer program was signed since you looked. Look at it first.',
    'program_unwanted' => 'The products bring what may not be brought (:what). Change the mix, or say why it is meant so.',
    'program_empty' => 'There is nothing in this program that could be signed: nothing was measured here yet.',
    'share_closed' => 'This address has ended or was withdrawn before.',
    'share_superseded' => 'A newer program follows this one: share that.',
    'area_has_work' => ':area has plans, composites, programs or a log of its own, so it stays an area of its own.',
    'week_gone' => 'That week has gone by; choose this week or a later one.',
    'factor_in_use' => 'A local factor of this school is in use already; end it first.',
    'factor_moved' => 'More has come in since you looked, and the factor is another now. Look at it again.',
    'factor_not_offered' => 'The rule does not offer a local factor of this school; it says what is missing.',
    'factor_ended' => 'This local factor was ended before.',
    'two_controls' => ':area has a control already (:name). End it first: two at a time cannot be told apart in the answer.',
    'control_of_itself' => 'An area cannot be its own control; choose another area, draw a strip, or name one.',
    'control_of_control' => ':area is treated ground with a control of its own, so it cannot be one.',
    'control_ended' => 'The control :name was ended before.',
    'control_ends_before' => 'A control cannot end before it began (:since).',
    'control_has_ground' => 'The control :name is an area of its own: pull it there.',
    'sample_of_control' => ':code was said to come from a control before.',
    'event_taken_back' => 'This entry was taken back before.',
    'no_design' => 'There is no retest to take over: the change that is expected is not known, or no retest within reach would see it.',
    'no_plan_before' => 'Neither the area nor its control has had a plan that the retest could follow. Plan it by hand.',
    'address_withdrawn' => 'This address was withdrawn before.',
    'area_changed' => ':area was changed since you opened it. Look at what is stored beside yours; what you typed is '.
        'still here.',
    'areas_apart' => 'Two different areas of one site can be joined.',
    'bands_gone' => 'The method has no bands any more.',
    'card_without_colours' => 'The card of this method has no colours to practise with on the screen. Practise with '.
        'tubes at the bench.',
    'consignment_empty' => 'The consignment is empty.',
    'consignment_gone' => 'Consignment :number is :state already.',
    'device_silent' => 'The device does not answer. Nothing was changed; try again, or type what the probe shows.',
    'drift_on_record' => 'The drift of this calibration is on record already. Calibrate anew for further work.',
    'evidence_moved' => 'The evidence or the policy has changed since you opened it. Look at it again, then sign; '.
        'what you wrote is kept.',
    'handed_over_too_early' => 'The consignment was packed :packed UTC; accepted is a time of handing over from then '.
        'to now.',
    'lab_answer_strange' => 'The lab\'s interface gave an answer that makes no sense. Nothing was changed.',
    'lab_refused' => 'The lab\'s interface refused (:status): :why',
    'lab_silent' => 'The lab\'s interface does not answer. Nothing was changed; try again, or go on without it.',
    'lot_on_record' => 'Lot :lot is on record already.',
    'method_named' => 'There is a method named :method already. Give this one another name.',
    'method_revised' => 'Version :version was set in the meantime. Open the method again and make the change there.',
    'never_compared' => ':method measures something else, or by another extractant: the two are never compared.',
    'no_core_pulled' => 'No core was pulled, so there is no composite.',
    'no_device' => 'No device is set up here. Type what the probe shows, or take the file of its logger.',
    'no_lab_interface' => 'No interface of a lab is set up here. Send the consignment without one, and enter what the '.
        'lab says by hand.',
    'no_probe_for_logger' => 'No probe is read in this run, so that there is nothing to take from a logger.',
    'no_probe_in_run' => 'No probe is read in this run.',
    'no_steps_at_bench' => ':method is worked in a lab and has no steps for the bench.',
    'not_against_a_lab' => ':method is no lab\'s method: a verdict is signed against a lab alone.',
    'not_its_reference' => 'That method measures something else, or by another extractant: the two are never compared.',
    'not_judged' => ':test: :why',
    'not_read_off_a_card' => ':method is not read off a card, so that there is nothing to practise.',
    'not_simulated' => 'Only a simulated lab has days that can be moved on.',
    'nothing_read' => 'Nothing was read in this run. Drop it instead of finishing it.',
    'nothing_to_correct' => 'The reading to correct is not there, or was corrected already. Look at the sample again.',
    'phones_differ' => 'Two phones differ on core :cores. Say which is right, then make the composite.',
    'plan_pulled' => 'A composite was pulled by this plan, so it stays as it is. Save your changes as a new plan.',
    'portion_there' => ':sample has a portion of this kind already.',
    'report_in_hand' => 'Another report of your team is being taken. Nothing was changed; try again when it is done.',
    'report_not_there' => 'The report to be replaced is not there, or is another lab\'s.',
    'report_replaced' => ':file was replaced already. Replace the newest report of them.',
    'result_there' => ':sample has a result by :method already. Correct that one instead.',
    'results_left_out' => 'The results were left out already, and stay so; a corrected report brings new ones.',
    'round_read' => 'The round was read already. Start another one.',
    'run_closed' => 'The run is closed; nothing more can be marked in it.',
    'run_finished' => 'The run is finished; its readings stand.',
    'sent_without_interface' => 'This consignment went without an interface: enter what the lab says by hand.',
    'stands_alone' => ':test has no other method here to stand beside.',
    'submission_other' => 'Something else was taken under the name of this submission already, and stays as it is. Look at '.
        'what is stored; what you typed is still here.',
    'too_few_pairs' => ':test: :why More pairs are needed before strategies can be compared.',
    'tube_open' => 'One tube is not read yet. Read it, give it up, or finish without it.',
    'tubes_open' => ':count tubes are not read yet. Read them, give them up, or finish without them.',
    'verdict_signed' => 'Another verdict on this claim has been signed since you opened it. Look at it, then sign a '.
        'new one that follows it.',
    'last_administrator' => 'Nobody else administers this team. Let somebody else administer it first.',
    'of_the_demo' => 'Anybody may sign in with the accounts of the demo: they stay as they are.',
];
