<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Areas\WriteArea;
use App\Actions\Decide\Sign;
use App\Actions\Evidence\GatherEvidence;
use App\Actions\FollowUp\LeaveControl;
use App\Actions\FollowUp\LogSpread;
use App\Actions\Plans\SavePlan;
use App\Actions\Prescribe\ComposeProgram;
use App\Actions\Prescribe\SignPrescription;
use App\Actions\Readings\RecordReading;
use App\Actions\Samples\PullComposite;
use App\Models\Area;
use App\Models\Lab;
use App\Models\Portion;
use App\Models\Sample;
use App\Models\SignedProgram;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Custody\CoreMark;
use HonestCore\Custody\Outcome;
use HonestCore\FollowUp\SpreadNote;
use HonestCore\Program\ProgramChoices;
use HonestCore\Sampling\PlanSpec;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use Ramsey\Uuid\Uuid;

/**
 * Five years of ground that was limed, watched and held against strips left untreated: a dressing that did what it should, one whose
 * control moved as much, one whose lab changed in between, and one that did nothing.
 */
final class FollowUpSeeder
{
    private const CORES = 20;

    private const DEVICE = '0d9f7f0e-6a0f-4f43-9a55-21f8b8a3c001';

    /** @var array<string, Area> */
    private array $areas = [];

    public function __construct(
        private readonly WriteArea $writeArea,
        private readonly Ground $ground,
        private readonly SavePlan $savePlan,
        private readonly PullComposite $pull,
        private readonly ReportSeeder $reports,
        private readonly ComposeProgram $compose,
        private readonly SignPrescription $sign,
        private readonly LogSpread $log,
        private readonly LeaveControl $control,
        private readonly RecordReading $record,
        private readonly GatherEvidence $gather,
        private readonly Sign $judge,
    ) {}

    public function __invoke(User $technician, User $reviewer): void
    {
        $this->site($technician);
        foreach (WickerLea::ROUNDS as $day => $results) {
            $this->round($day, $results, $technician);
            foreach (WickerLea::PROGRAMS as $signed => $programs) {
                if (substr($signed, 0, 4) === substr($day, 0, 4)) {
                    $this->programs($signed, $programs, $technician, $reviewer);
                }
            }
        }
        $this->watch($technician, $reviewer);
    }

    /** A pen whose track claim stands watches between the retests. */
    private function watch(User $technician, User $reviewer): void
    {
        $pen = TestMethod::query()->where('name', 'Reedmace pH pen')->firstOrFail();
        foreach (WickerLea::WATCHED as $day => $read) {
            $sample = $this->composite($this->areas['Corn ground above the weir'], $day, $technician);
            ($this->record)($sample, $pen, $technician, [
                'typed' => $read,
                'read_on' => $day,
                'reader' => $technician->name,
                'flags' => [],
                'note' => '',
                'corrects_id' => null,
            ]);
            $this->reports->shelve($day, $technician);
        }
        Carbon::setTestNow('2026-11-21 15:00:00');
        Auth::setUser($reviewer);
        ($this->judge)(
            $pen,
            $reviewer,
            'track',
            ($this->gather)($pen)->hash()->value,
            null,
            'Reedmace pH pen, calibrated on the day, read by Maren Oakhurst.',
            'It repeats itself well enough to watch between the retests.',
        );
        Auth::setUser($technician);
    }

    private function site(User $technician): void
    {
        Carbon::setTestNow('2021-10-01 13:00:00');
        $site = Site::query()->create(WickerLea::SITE + [
            'latitude' => QuillHollow::MIDDLE[1],
            'longitude' => QuillHollow::MIDDLE[0],
        ]);
        foreach (WickerLea::AREAS as $name => [$use, $history, $facts, $ring]) {
            $this->areas[$name] = $this->writeArea->new($site, [
                'name' => $name,
                'use' => $use,
                'history' => $history,
                'facts' => $facts,
                'boundary' => $this->ground->boundary($ring),
            ]);
        }
        foreach (WickerLea::CONTROLS as $name => $control) {
            $this->control->of($this->areas[$name], $technician, $control, '2021-10-01', null, $this->areas[$control]->id, '');
        }
    }

    /** @param array<string, array{string, string, string, string, string}> $results */
    private function round(string $day, array $results, User $technician): void
    {
        $rows = [];
        foreach ($results as $name => $values) {
            $sample = $this->composite($this->areas[$name], $day, $technician);
            $code = Portion::query()->where('sample_id', $sample->id)->where('kind', 'lab')->valueOrFail('code');
            $other = substr($day, 0, 4) >= WickerLea::OTHER_LAB_FROM && in_array($name, WickerLea::OTHER_LAB_OF, true);
            $rows[$other ? 'other' : 'first'][$code] = implode(',', [$code, ...$values]);
        }
        $reported = Carbon::parse($day)->addDays(12)->format('Y-m-d');
        foreach ($rows as $which => $lines) {
            $lab = Lab::query()->where('service', $which === 'first')->firstOrFail();
            $this->reports->follow(array_keys($lines), $day, $reported, $lab, $technician);
            $this->reports->file($lab, Str::slug($lab->name).'-wicker-lea-'.substr($day, 0, 4).'.csv', $reported, [
                'Sample ID,pH (1:1 water),Mehlich buffer pH,"P (Mehlich-3, ICP), ppm","K (Mehlich-3, ICP), ppm",CEC cmol/kg',
                ...array_values($lines),
            ], $technician);
        }
        $this->reports->shelve($day, $technician);
    }

    private function composite(Area $area, string $day, User $technician): Sample
    {
        Carbon::setTestNow("{$day} 15:00:00");
        $plan = $this->savePlan->new($area, $technician, PlanSpec::fromRow([
            'purpose' => 'routine',
            'layers' => ['0-6in'],
            'cores' => self::CORES,
            'pattern' => 'zigzag',
            'edge_m' => 2.0,
            'probe_mm' => 19.0,
            'seed' => (int) substr($day, 0, 4),
            'keep_away' => [],
        ]));

        return ($this->pull)(
            $plan,
            $technician,
            [
                'composite' => 1,
                'pulled_on' => $day,
                'pulled_by' => $technician->name,
                'cores_pulled' => self::CORES,
                'note' => '',
                'submission' => null,
            ],
            array_map(
                static fn (int $sequence): CoreMark => new CoreMark($sequence, Outcome::Pulled, null),
                range(1, self::CORES),
            ),
        )[0];
    }

    /** @param list<array{string, string, list<array<string, mixed>>, string}> $programs */
    private function programs(string $day, array $programs, User $technician, User $reviewer): void
    {
        foreach ($programs as [$name, $crop, $overrides, $note]) {
            Carbon::setTestNow("{$day} 14:00:00");
            Auth::setUser($reviewer);
            $area = $this->areas[$name]->refresh();
            $choices = ProgramChoices::fromRow(['overrides' => $overrides] + $this->compose->usual($area, $crop)->toRow());
            $it = ($this->compose)($area, $choices);
            $signed = ($this->sign)($area, $reviewer, $choices, $it->hash, null, $note);
            Auth::setUser($technician);
            $this->spread($signed, WickerLea::SPREAD[$day], $technician);
        }
    }

    /** What is late goes on together before the winter, the rest on the days of the program. */
    private function spread(SignedProgram $program, string $day, User $technician): void
    {
        foreach ($program->outlook->lines as $i => $line) {
            $on = max($day, $line->on);
            Carbon::setTestNow("{$on} 16:00:00");
            $answer = ($this->log)($technician, self::DEVICE, [SpreadNote::fromRow([
                'uuid' => Uuid::uuid5(self::DEVICE, "{$program->id} {$i}")->toString(),
                'area_id' => $program->area_id,
                'program_id' => $program->id,
                'part' => $line->part,
                'product' => $line->product,
                'what' => '',
                'as_planned' => true,
                'line' => $line->key(),
                'amount' => null,
                'unit' => '',
                'on' => $on,
                'weather' => WickerLea::WEATHER[$on] ?? '',
                'spread_by' => $technician->name,
                'note' => '',
                'takes_back' => null,
            ])]);
            if ($answer['refused'] !== []) {
                throw new \LogicException($answer['refused'][0]['message']);
            }
        }
    }
}
