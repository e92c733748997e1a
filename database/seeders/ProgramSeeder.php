<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Areas\WriteArea;
use App\Actions\Prescribe\ChangeDraft;
use App\Actions\Prescribe\ComposeProgram;
use App\Actions\Prescribe\Shelf;
use App\Actions\Prescribe\SignPrescription;
use App\Actions\Readings\RecordReading;
use App\Actions\Samples\PullComposite;
use App\Models\Area;
use App\Models\Lab;
use App\Models\PhAnswer;
use App\Models\Portion;
use App\Models\Sample;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Custody\CoreMark;
use HonestCore\Custody\Outcome;
use HonestCore\Program\HighPhCauses;
use HonestCore\Program\ProgramChoices;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;

/**
 * Programs of the demo: lime in two dressings, no phosphorus, a map of rates in four parts, wood ash, sulphur stopped by
 * fizz, and one that says only what to test next.
 */
final class ProgramSeeder
{
    private const PULLED = '2026-10-08';

    private const SIGNED = '2026-11-21';

    public function __construct(
        private readonly WriteArea $writeArea,
        private readonly Ground $ground,
        private readonly PullComposite $pull,
        private readonly RecordReading $record,
        private readonly ReportSeeder $reports,
        private readonly Shelf $shelf,
        private readonly ComposeProgram $compose,
        private readonly ChangeDraft $change,
        private readonly SignPrescription $sign,
    ) {}

    public function __invoke(User $technician, User $reviewer): void
    {
        $this->prices();
        $this->tansyHill($technician);
        Carbon::setTestNow(self::SIGNED.' 14:00:00');
        $wall = $this->area('Azalea border under the rendered wall');
        foreach (array_keys(HighPhCauses::questions()) as $question) {
            $answer = ['carbonate' => 'unknown', 'lime_of_late' => 'yes'][$question] ?? 'no';
            PhAnswer::record([
                'area_id' => $wall->id,
                'created_by' => $technician->id,
                'question' => $question,
                'answer' => $answer,
                'note' => '',
            ]);
        }
        $programs = [
            ['Long Meadow, west slope', ['crop' => 'alfalfa', 'yield' => 4.0], 'To be reseeded to alfalfa once the pH allows.'],
            ['Terrace beds above the house', ['organic_only' => true, 'bed' => [9.144, 1.2192]], 'The owner wants organic products.'],
            ['Paddock by the gravel road', [], 'Part by part: the road gravel reaches half of it.'],
            ['Azalea border under the rendered wall', [], 'As the table has it.'],
            [
                'Raspberry canes past the pump',
                ['crop' => 'bramble', 'products' => ['wood-ash', 'blood-meal', 'limestone-pelleted'], 'nutrient_school' => 'sufficiency'],
                'Clean ash of untreated wood lies in the shed.',
            ],
            [
                'Herb patch behind the pump house',
                ['overrides' => [[
                    'part' => 0,
                    'key' => 'n',
                    'lb_per_acre' => 0,
                    'reason' => 'Turned over from old sod in spring, which gives more than the herbs take.',
                ]]],
                'So that the owner knows what comes next.',
            ],
        ];
        foreach ($programs as [$name, $chosen, $reason]) {
            Auth::setUser($technician);
            $area = $this->area($name);
            $usual = $this->compose->usual($area, $chosen['crop'] ?? null);
            $choices = ProgramChoices::fromRow($chosen + $usual->toRow());
            ($this->change)($area, $technician, $choices, 0, $reason);
            Auth::setUser($reviewer);
            $it = ($this->compose)($area, $choices);
            ($this->sign)($area, $reviewer, $choices, $it->hash, null, '');
        }
        Auth::setUser($technician);
    }

    private function prices(): void
    {
        foreach (QuillHollow::PRICES as $code => $price) {
            $this->shelf->put($code, ['price' => $price] + $this->shelf->all()[$code]->toRow());
        }
    }

    private function area(string $name): Area
    {
        return Area::query()->where('name', $name)->firstOrFail();
    }

    private function tansyHill(User $technician): void
    {
        Carbon::setTestNow(self::PULLED.' 13:00:00');
        $site = Site::query()->create([
            'name' => 'Tansy Hill',
            'letters' => 'TH',
            'address' => '2 Pump Lane, Tansy Hill',
            'timezone' => 'America/New_York',
            'units' => 'us',
            'school' => 'lawn-garden',
            'latitude' => QuillHollow::MIDDLE[1],
            'longitude' => QuillHollow::MIDDLE[0],
        ]);
        $lines = [];
        $seed = 71;
        foreach (QuillHollow::TANSY_HILL as $name => [$use, $history, $facts, $ring]) {
            $area = $this->writeArea->new($site, [
                'name' => $name,
                'use' => $use,
                'history' => $history,
                'facts' => $facts,
                'boundary' => $this->ground->boundary($ring),
            ]);
            $sample = $this->composite($area, $technician, $seed++);
            $code = Portion::query()->where('sample_id', $sample->id)->where('kind', 'lab')->valueOrFail('code');
            if (isset(QuillHollow::TANSY_RESULTS[$name])) {
                $lines[$code] = implode(',', [$code, ...QuillHollow::TANSY_RESULTS[$name]]);
            }
            $this->atTheBench($sample, $name, $technician);
        }
        $lab = Lab::query()->where('service', true)->firstOrFail();
        $this->reports->follow(array_keys($lines), self::PULLED, '2026-10-20', $lab, $technician);
        $this->reports->shelve(self::PULLED, $technician);
        $this->reports->file($lab, 'fennick-tansy-hill.csv', '2026-10-20', [
            'Sample ID,pH (1:1 water),Mehlich buffer pH,"P (Mehlich-3, ICP), ppm","K (Mehlich-3, ICP), ppm",CEC cmol/kg',
            ...array_values($lines),
        ], $technician);
    }

    /** Vinegar fizzes under the wall; the herb patch has a reading of the kit and no lab's yet. */
    private function atTheBench(Sample $sample, string $name, User $technician): void
    {
        $fizz = TestMethod::query()->where('name', 'Crock fizz pair')->firstOrFail()->code;
        $read = [
            'Azalea border under the rendered wall' => [$fizz, 'carbonate'],
            'Herb patch behind the pump house' => ['kit-ph', '6.5'],
        ][$name] ?? null;
        if ($read !== null) {
            ($this->record)($sample, TestMethod::query()->where('code', $read[0])->firstOrFail(), $technician, [
                'typed' => $read[1],
                'read_on' => '2026-10-10',
                'reader' => $technician->name,
                'flags' => [],
                'note' => '',
                'corrects_id' => null,
            ]);
        }
    }

    private function composite(Area $area, User $technician, int $seed): Sample
    {
        Carbon::setTestNow(self::PULLED.' 15:00:00');
        $plan = $this->ground->plan($area, $technician, $seed);
        $cores = $plan->spec->cores;

        return ($this->pull)(
            $plan,
            $technician,
            [
                'composite' => 1,
                'pulled_on' => self::PULLED,
                'pulled_by' => $technician->name,
                'cores_pulled' => $cores,
                'note' => '',
                'submission' => null,
            ],
            array_map(
                static fn (int $sequence): CoreMark => new CoreMark($sequence, Outcome::Pulled, null),
                range(1, $cores),
            ),
        )[0];
    }
}
