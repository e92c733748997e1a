<?php

declare(strict_types=1);

use App\Archive\ArchiveDesk;
use App\Http\Controllers as C;
use App\Http\Middleware\ComputesAhead;
use App\Http\Middleware\KnowsSignIn;
use App\Http\Middleware\NotesExports;
use App\Http\Middleware\NotesRefusals;
use App\Http\Middleware\OnceOnly;
use App\Http\Middleware\PracticeStays;
use App\Http\Middleware\ReadersChangeNothing;
use App\Http\Middleware\SignsInByToken;
use App\Http\Middleware\TellsChange;
use App\Models\CalendarAddress;
use App\Models\CheckSoil;
use App\Models\Consignment;
use App\Models\JudgingPolicy;
use App\Models\Lab;
use App\Models\LabReport;
use App\Models\LocalFactorInUse;
use App\Models\PenCalibration;
use App\Models\PracticeRound;
use App\Models\SchoolProfile;
use App\Models\SignedProgram;
use App\Models\SignedVerdict;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\VisionRecord;
use Illuminate\Support\Facades\Route;

/*
 * The JSON API of the pages, behind the session and its CSRF token. Whoever is signed in sees the records of the
 * team alone: the models are scoped, and every route names the ability it needs.
 */
Route::get('welcome', C\Session\Welcome::class);
Route::get('health', C\Session\ShowHealth::class)->middleware('throttle:health');
Route::post('session', C\Session\SignIn::class)->middleware('throttle:sign-in');

Route::get('invitations/{token}', C\People\ShowInvitation::class)->middleware('throttle:sign-in');
Route::post('invitations/{token}', C\People\TakeInvitation::class)->middleware('throttle:sign-in');
Route::post('password/ask', C\People\AskReset::class)->middleware('throttle:sign-in');
Route::post('password/reset', C\People\ResetPassword::class)->middleware('throttle:sign-in');

$signedIn = [
    SignsInByToken::class, 'auth', KnowsSignIn::class, NotesRefusals::class, ReadersChangeNothing::class, OnceOnly::class,
    TellsChange::class,
    ComputesAhead::class,
];
Route::middleware($signedIn)->group(function (): void {
    Route::get('session', C\Session\ShowSession::class);
    Route::get('start', C\Session\ShowStart::class);
    Route::delete('session', C\Session\SignOut::class);
    Route::get('account', C\People\ShowAccount::class);
    Route::put('account/password', C\People\ChangePassword::class)->middleware('throttle:account');
    Route::post('account/second-factor', C\People\BeginSecondFactor::class)->middleware('throttle:account');
    Route::put('account/second-factor', C\People\ConfirmSecondFactor::class)->middleware('throttle:account');
    Route::post('account/second-factor/end', C\People\EndSecondFactor::class)->middleware('throttle:account');
    Route::delete('account/sign-ins/{id}', C\People\EndSignIn::class)->where('id', '[0-9]{1,15}');
    Route::post('account/tokens', C\People\MakeToken::class)->middleware('throttle:account');
    Route::delete('account/tokens/{id}', C\People\EndToken::class)->where('id', '[0-9]{1,15}');
    Route::post('account/close', C\People\CloseOwnAccount::class)->middleware('throttle:account');
    Route::get('changes', C\Changes\ListChanges::class);
    Route::post('changes/{change}/take-back', C\Changes\TakeBackChange::class)->can('update', 'change');
    Route::get('people', C\People\ListPeople::class);
    Route::middleware('can:administer')->group(function (): void {
        Route::post('people/invitations', C\People\InvitePerson::class);
        Route::post('archive', C\Teams\MakeArchive::class)->middleware('throttle:account');
        Route::get('archive/{name}', C\Teams\DownloadArchive::class)->where('name', ArchiveDesk::NAME)->middleware(NotesExports::class);
        Route::post('archive/{name}/pieces', C\Teams\TakeArchivePiece::class)->where('name', ArchiveDesk::NAME);
        Route::post('archive/{name}/take', C\Teams\TakeArchive::class)->where('name', ArchiveDesk::NAME)->middleware('throttle:account');
        Route::post('demo/reset', C\Teams\ResetDemo::class)->middleware('throttle:account');
        Route::delete('people/invitations/{invitation}', C\People\WithdrawInvitation::class)->can('delete', 'invitation');
        Route::put('people/{person}', C\People\ChangePerson::class)->can('keep', 'person');
        Route::post('people/{person}/close', C\People\ClosePerson::class)->can('keep', 'person');
        Route::post('people/{person}/reset', C\People\OpenReset::class)->can('keep', 'person');
        Route::post('people/{person}/second-factor/end', C\People\EndFactorOf::class)->can('keep', 'person');
        Route::put('team', C\People\RenameTeam::class);
        Route::get('account-events', C\People\ListEvents::class);
    });
    Route::get('ping', C\Session\Ping::class);
    Route::get('choices', C\Session\Choices::class);
    Route::get('today', C\Today\ShowToday::class);
    Route::get('search', C\Today\Search::class);

    Route::get('sites', C\Areas\ListSites::class);
    Route::post('sites', C\Areas\CreateSite::class)->can('create', Site::class);
    Route::get('sites/{site}', C\Areas\ShowSite::class)->can('view', 'site');
    Route::put('sites/{site}', C\Areas\ChangeSite::class)->can('update', 'site');
    Route::post('sites/{site}/areas', C\Areas\CreateArea::class)->can('update', 'site');
    Route::post('sites/{site}/areas/batch', C\Areas\CreateAreas::class)->can('update', 'site');
    Route::post('sites/{site}/landmarks', C\Areas\CreateLandmark::class)->can('update', 'site');
    Route::delete('landmarks/{landmark}', C\Areas\DeleteLandmark::class)->can('delete', 'landmark');
    Route::put('areas/{area}', C\Areas\UpdateArea::class)->can('update', 'area');
    Route::post('areas/{area}/cut', C\Areas\CutArea::class)->can('update', 'area');
    Route::post('areas/{area}/hole', C\Areas\CutHole::class)->can('update', 'area');
    Route::post('areas/{area}/join/{other}', C\Areas\JoinArea::class)->can('update', 'area')->can('delete', 'other');
    Route::get('sites/{site}/underlays', C\Areas\ListUnderlays::class)->can('view', 'site');
    Route::post('sites/{site}/underlays', C\Areas\CreateUnderlay::class)->can('update', 'site');
    Route::put('underlays/{underlay}', C\Areas\PlaceUnderlay::class)->can('update', 'underlay');
    Route::delete('underlays/{underlay}', C\Areas\DeleteUnderlay::class)->can('delete', 'underlay');
    Route::get('underlays/{underlay}/picture', C\Areas\ShowPicture::class)->can('view', 'underlay');
    Route::get('areas/{area}/together/{other}', C\Areas\CompareAreas::class)->can('view', 'area')->can('view', 'other');
    Route::get('sites/{site}/areas/export/{format}', C\Areas\ExportAreas::class)->can('view', 'site')->middleware(NotesExports::class);
    Route::post('boundaries/measure', C\Areas\MeasureBoundary::class);
    Route::post('boundaries/read', C\Areas\ReadBoundaries::class);

    Route::get('plans', C\Plans\ListPlans::class);
    Route::post('areas/{area}/plans/draft', C\Plans\DraftPlan::class)->can('view', 'area');
    Route::post('areas/{area}/plans', C\Plans\CreatePlan::class)->can('update', 'area');
    Route::post('areas/{area}/comparison', C\Plans\CompareSchemes::class)->can('view', 'area');
    Route::get('areas/{area}/located-results', C\Plans\ListLocatedResults::class)->can('view', 'area');
    Route::get('schools', C\Plans\ListSchools::class);
    Route::put('schools/{school}', C\Plans\ChangeSchool::class)->can('create', SchoolProfile::class);
    Route::get('areas/{area}/schools', C\Plans\CompareSchools::class)->can('view', 'area');
    Route::put('sites/{site}/school', C\Plans\ChooseSchool::class)->can('update', 'site');
    Route::get('plans/{plan}/points/{format}', C\Plans\DownloadPoints::class)->can('view', 'plan')->middleware(NotesExports::class);
    Route::get('plans/{plan}/sheet', C\Plans\ShowFieldSheet::class)->can('view', 'plan');
    Route::get('plans/{plan}/calendar', C\Plans\ShowCalendar::class)->can('view', 'plan');
    Route::get('plans/{plan}/calendar.ics', C\Plans\DownloadCalendar::class)->can('view', 'plan')->middleware(NotesExports::class);
    Route::get('plans/{plan}', C\Plans\ShowPlan::class)->can('view', 'plan');
    Route::put('plans/{plan}', C\Plans\UpdatePlan::class)->can('update', 'plan');

    Route::get('ledger', C\Samples\ShowLedger::class);
    Route::get('ledger.csv', C\Samples\DownloadLedger::class)->middleware(NotesExports::class);
    Route::put('plans/{plan}/day', C\Plans\SetPullDay::class)->can('update', 'plan');
    Route::get('samples', C\Samples\ListSamples::class);
    Route::post('pull-entries', C\Samples\TakeNotes::class);
    Route::get('plans/{plan}/pull', C\Samples\ShowPull::class)->can('view', 'plan');
    Route::post('plans/{plan}/codes', C\Samples\KeepCodes::class)->can('update', 'plan');
    Route::post('plans/{plan}/samples', C\Samples\CreateSample::class)->can('update', 'plan');
    Route::post('samples/{sample}/photos', C\Samples\AddPhoto::class)->can('update', 'sample');
    Route::get('photos/{photo}', C\Samples\ShowPhoto::class)->can('view', 'photo');
    Route::get('samples/{sample}', C\Samples\ShowSample::class)->can('view', 'sample');

    Route::post('custody-steps', C\Custody\TakeStep::class);
    Route::get('portions', C\Custody\FindPortion::class);
    Route::get('portions/{portion}', C\Custody\ShowPortion::class)->can('view', 'portion');
    Route::put('portions/{portion}', C\Custody\AskTests::class)->can('update', 'portion');
    Route::post('samples/{sample}/portions', C\Custody\SplitSample::class)->can('update', 'sample');
    Route::get('check-soils', C\Custody\ListCheckSoils::class);
    Route::post('check-soils', C\Custody\CreateCheckSoil::class)->can('create', CheckSoil::class);
    Route::post('sites/{site}/check-portions', C\Custody\SlipInCheckSoil::class)->can('update', 'site');

    Route::get('practice', C\Practice\ShowPractice::class);
    Route::post('practice/grounds', C\Practice\BeginGround::class)->middleware('throttle:practice');
    Route::put('practice/grounds/{ground}', C\Practice\NameGround::class)->where('ground', '[0-9]{1,15}');
    Route::post('practice/grounds/{ground}/enter', C\Practice\EnterPractice::class)->where('ground', '[0-9]{1,15}');
    Route::post('practice/leave', C\Practice\LeavePractice::class);
    Route::post('practice/hint', C\Practice\AskHint::class);
    Route::get('practice/shown', C\Practice\ShowReading::class);
    Route::get('practice/reveal', C\Practice\ShowReveal::class);
    Route::post('practice/classes', C\Practice\OpenClass::class)->middleware('throttle:practice');
    Route::post('practice/classes/join', C\Practice\JoinClass::class)->middleware('throttle:practice');
    Route::get('practice/classes/{class}', C\Practice\ShowClass::class)->where('class', '[0-9]{1,15}');

    Route::get('labs', C\Labs\ListLabs::class);
    Route::post('labs', C\Labs\CreateLab::class)->can('create', Lab::class);
    Route::put('labs/{lab}', C\Labs\ChangeLab::class)->can('update', 'lab');
    Route::post('simulation', C\Labs\OrderSimulation::class);
    Route::get('consignments', C\Labs\ListConsignments::class);
    Route::post('consignments', C\Labs\PackConsignment::class)->can('create', Consignment::class)->name('consignments.pack');
    Route::post('consignments/draft', C\Labs\DraftConsignment::class);
    Route::get('consignments/{consignment}', C\Labs\ShowConsignment::class)->can('view', 'consignment');
    Route::post('consignments/{consignment}/send', C\Labs\SendConsignment::class)->can('update', 'consignment');
    Route::post('consignments/{consignment}/ask', C\Labs\AskForConsignment::class)->can('update', 'consignment');
    Route::post('consignments/{consignment}/enquiry', C\Labs\NoteEnquiry::class)->can('update', 'consignment');
    Route::get('consignments/{consignment}/list.csv', C\Labs\DownloadList::class)
        ->can('view', 'consignment')
        ->middleware(NotesExports::class);
    Route::get('consignments/{consignment}/reports/{delivered}', C\Labs\ShowDeliveredReport::class)
        ->can('view', 'consignment')
        ->whereNumber('delivered');

    Route::get('bench', C\Bench\ShowBench::class);
    Route::get('bench/library', C\Bench\ListLibrary::class);
    Route::post('methods', C\Bench\AddMethod::class)->can('create', TestMethod::class);
    Route::get('methods/{method}', C\Bench\ShowMethod::class)->can('view', 'method');
    Route::put('methods/{method}', C\Bench\ReviseMethod::class)->can('update', 'method');
    Route::put('methods/{method}/links', C\Bench\LinkSheets::class)->can('update', 'method');
    Route::post('methods/{method}/lots', C\Bench\AddLot::class)->can('update', 'method');
    Route::post('sites/{site}/runs', C\Bench\CreateRun::class)->can('update', 'site');
    Route::get('runs/{run}', C\Bench\ShowRun::class)->can('view', 'run');
    Route::get('runs/{run}/readings', C\Bench\ListRunReadings::class)->can('view', 'run');
    Route::post('runs/{run}/marks', C\Bench\MarkTubes::class)->can('update', 'run');
    Route::post('runs/{run}/close', C\Bench\CloseRun::class)->can('update', 'run');
    Route::post('runs/{run}/probe', C\Bench\StreamProbe::class)->can('update', 'run');
    Route::post('runs/{run}/logger', C\Bench\TakeLogger::class)->can('update', 'run');
    Route::post('colour-matches', C\Bench\MatchColour::class);
    Route::get('calibrations', C\Bench\ListCalibrations::class);
    Route::post('calibrations', C\Bench\CreateCalibration::class)->can('create', PenCalibration::class);
    Route::post('calibrations/{calibration}/drift', C\Bench\NoteDrift::class)->can('update', 'calibration');
    Route::get('vision-checks', C\Bench\ListVisionChecks::class);
    Route::post('vision-checks', C\Bench\KeepVisionCheck::class)->can('create', VisionRecord::class);
    Route::post('vision-plates', C\Bench\DrawPlates::class)->middleware('throttle:plates');
    Route::get('practice-rounds', C\Bench\ListPractice::class);
    Route::post('practice-rounds', C\Bench\StartPractice::class)->can('create', PracticeRound::class);
    Route::post('practice-rounds/{round}', C\Bench\AnswerPractice::class)->can('update', 'round');
    Route::get('areas/{area}/transects', C\Bench\ShowTransects::class)->can('view', 'area');
    Route::post('areas/{area}/transects', C\Bench\AddTransect::class)->can('update', 'area');
    Route::post('areas/{area}/ground-events', C\Bench\AddGroundEvent::class)->can('update', 'area');
    Route::delete('ground-events/{event}', C\Bench\RemoveGroundEvent::class)->can('delete', 'event');

    Route::get('methods', C\Readings\ListMethods::class);
    Route::post('samples/{sample}/readings', C\Readings\CreateReading::class)->can('update', 'sample');
    Route::post('samples/{sample}/results', C\Readings\CreateResults::class)->can('update', 'sample');
    Route::post('reports/read', C\Reports\ReadReport::class);
    Route::post('reports', C\Reports\TakeReport::class)->can('create', LabReport::class);
    Route::get('reports/progress', C\Reports\ShowProgress::class);
    Route::get('reports/{report}', C\Reports\ShowReport::class)->can('view', 'report');
    Route::post('reports/{report}/papers', C\Reports\AddPaper::class)->can('update', 'report');
    Route::get('reports/{report}/papers/{paper}', C\Reports\ShowPaper::class)
        ->can('view', 'report')
        ->can('view', 'paper');
    Route::post('report-questions/{question}', C\Reports\AnswerQuestion::class)->can('update', 'question');
    Route::get('check-charts', C\Reports\ListCheckCharts::class);
    Route::get('side-by-side', C\Reports\ShowSideBySide::class);
    Route::get('results.csv', C\Reports\DownloadResults::class)->defaults('format', 'csv')->middleware(NotesExports::class);
    Route::get('results.json', C\Reports\DownloadResults::class)->defaults('format', 'json')->middleware(NotesExports::class);
    Route::get('reports', C\Reports\ListReports::class);

    Route::get('evidence', C\Evidence\ListEvidence::class);
    Route::get('claims/luck', C\Decide\ShowLuck::class);
    Route::get('evidence/{method}', C\Evidence\ShowEvidence::class)->can('view', 'method');
    Route::get('evidence/{method}/pairs', C\Evidence\ListPairs::class)->can('view', 'method');
    Route::get('evidence/{method}/records', C\Records\ListRecords::class)->can('view', 'method');
    Route::post('evidence/{method}/records', C\Records\CreateRecords::class)->can('view', 'method');
    Route::post('evidence/{method}/records/preview', C\Records\PreviewRecords::class)->can('view', 'method');
    Route::post('record-sets/{set}/withdraw', C\Records\WithdrawRecords::class)->can('update', 'set');
    Route::get('policies', C\Decide\ListPolicies::class);
    Route::post('policies', C\Decide\CreatePolicy::class)->can('create', JudgingPolicy::class);
    Route::post('policies/preview', C\Decide\TryPolicy::class)->can('create', JudgingPolicy::class);
    Route::get('evidence/{method}/costs', C\Decide\ShowUsualCosts::class)->can('view', 'method');
    Route::post('evidence/{method}/strategies', C\Decide\CompareStrategies::class)->can('view', 'method');
    Route::get('verdicts', C\Decide\ListVerdicts::class);
    Route::get('verdicts.json', C\Decide\DownloadVerdicts::class)->middleware(NotesExports::class);
    Route::get('verdicts/todays-rules', C\Decide\ListTodaysRules::class);
    Route::get('verdicts/{verdict}', C\Decide\ShowVerdict::class)->can('view', 'verdict');
    Route::post('evidence/{method}/verdicts', C\Decide\SignVerdict::class)
        ->can('view', 'method')
        ->can('create', SignedVerdict::class);

    Route::get('recommendations', C\Prescribe\ListRecommendations::class);
    Route::get('areas/{area}/recommendation', C\Prescribe\ShowRecommendation::class)->can('view', 'area');
    Route::get('areas/{area}/amounts', C\Prescribe\ShowAmounts::class)->can('view', 'area');
    Route::get('crops', C\Prescribe\ListCrops::class);
    Route::get('sites/{site}/programs', C\Prescribe\ListPrograms::class)->can('view', 'site');
    Route::get('sites/{site}/shopping-list', C\Prescribe\ShowShoppingList::class)->can('view', 'site');
    Route::put('sites/{site}/program-schools', C\Prescribe\ChooseProgramSchools::class)->can('update', 'site');
    Route::get('sites/{site}/rule-tables', C\Prescribe\ListTables::class)->can('view', 'site');
    Route::put('sites/{site}/rule-tables/{table}', C\Prescribe\ChangeTable::class)
        ->can('update', 'site')
        ->can('create', SignedProgram::class);
    Route::get('areas/{area}/program', C\Prescribe\ShowProgram::class)->can('view', 'area');
    Route::put('areas/{area}/program', C\Prescribe\ChangeProgram::class)->can('update', 'area');
    Route::post('areas/{area}/program/try', C\Prescribe\TryProgram::class)->can('view', 'area');
    Route::post('areas/{area}/program/sign', C\Prescribe\SignProgram::class)
        ->can('update', 'area')
        ->can('create', SignedProgram::class);
    Route::get('areas/{area}/program/crops', C\Prescribe\CompareCrops::class)->can('view', 'area');
    Route::post('areas/{area}/ph-answers', C\Prescribe\AnswerCause::class)->can('update', 'area');
    Route::get('areas/{area}/programs', C\Prescribe\ListSignedPrograms::class)->can('view', 'area');
    Route::get('programs/{program}', C\Prescribe\ShowSignedProgram::class)->can('view', 'program');
    Route::get('programs/{program}/spread-list/{format}', C\Prescribe\DownloadSpreadList::class)
        ->can('view', 'program')
        ->middleware(NotesExports::class);
    Route::get('programs/{program}/days.ics', C\Prescribe\DownloadSpreadDays::class)
        ->can('view', 'program')
        ->middleware(NotesExports::class);
    Route::post('programs/{program}/shares', C\Prescribe\OpenShare::class)->can('view', 'program')->middleware(PracticeStays::class);
    Route::post('shares/{share}/withdraw', C\Prescribe\WithdrawShare::class)->can('update', 'share');
    Route::get('shelf', C\Prescribe\ListShelf::class);
    Route::post('shelf', C\Prescribe\AddProduct::class);
    Route::put('shelf/{product}', C\Prescribe\ChangeProduct::class);
    Route::delete('shelf/{product}', C\Prescribe\PutBackProduct::class);
    Route::get('reckoner', C\Prescribe\ListReckoners::class);
    Route::post('reckoner/{tool}', C\Prescribe\Reckon::class)->middleware('throttle:reckoner');
    Route::get('follow-up', C\FollowUp\ListRetests::class);
    Route::get('sites/{site}/spread-lines', C\FollowUp\ListSpreadLines::class)->can('view', 'site');
    Route::post('spread-entries', C\FollowUp\TakeSpreadNotes::class);
    Route::post('ground-events/{event}/photos', C\FollowUp\AddBagPhoto::class)->can('update', 'event');
    Route::get('bag-photos/{photo}', C\FollowUp\ShowBagPhoto::class)->can('view', 'photo');
    Route::get('areas/{area}/series', C\FollowUp\ShowSeries::class)->can('view', 'area');
    Route::get('areas/{area}/series.csv', C\FollowUp\DownloadSeries::class)->can('view', 'area')->middleware(NotesExports::class);
    Route::get('sites/{site}/answers', C\FollowUp\ListAnswers::class)->can('view', 'site');
    Route::post('programs/{program}/retest-plan', C\FollowUp\PlanTheRetest::class)->can('view', 'program');
    Route::post('areas/{area}/controls', C\FollowUp\LeaveUntreated::class)->can('update', 'area');
    Route::post('controls/{control}/end', C\FollowUp\EndControl::class)->can('update', 'control');
    Route::post('controls/{control}/samples', C\FollowUp\SayControlSamples::class)->can('update', 'control');
    Route::get('school-trials', C\FollowUp\ListTrials::class);
    Route::post('local-factors', C\FollowUp\UseFactor::class)->can('create', LocalFactorInUse::class);
    Route::post('local-factors/{factor}/end', C\FollowUp\EndFactor::class)
        ->can('view', 'factor')
        ->can('create', LocalFactorInUse::class);
    Route::get('campaign', C\FollowUp\ShowCampaign::class);
    Route::get('campaign.ics', C\FollowUp\DownloadCampaign::class)->middleware(NotesExports::class);
    Route::put('campaign/areas/{area}', C\FollowUp\MoveRetest::class)->can('update', 'area');
    Route::get('calendar-addresses', C\FollowUp\ListAddresses::class);
    Route::post('calendar-addresses', C\FollowUp\OpenAddress::class)
        ->can('create', CalendarAddress::class)
        ->middleware(PracticeStays::class);
    Route::post('calendar-addresses/{address}/withdraw', C\FollowUp\WithdrawAddress::class)->can('update', 'address');
});
