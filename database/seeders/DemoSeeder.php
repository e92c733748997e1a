<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Areas\WriteArea;
use App\Actions\Decide\Sign;
use App\Actions\Evidence\GatherEvidence;
use App\Actions\Readings\RecordReading;
use App\Actions\Reports\RecordAnswer;
use App\Actions\Samples\PullComposite;
use App\Actions\Teams\FoundTeam;
use App\Models\Area;
use App\Models\Lab;
use App\Models\ReportQuestion;
use App\Models\Sample;
use App\Models\Site;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Custody\CoreMark;
use HonestCore\Custody\Outcome;
use Illuminate\Database\Seeder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;

/**
 * One season at Quill Hollow, made by the same actions that the pages use. Every name in it is invented, and it is
 * the same each time.
 */
final class DemoSeeder extends Seeder
{
    public const TEAM = 'Quill Hollow soil crew';

    private const PASSWORD = 'soil-and-lime';

    public function __construct(
        private readonly FoundTeam $found,
        private readonly WriteArea $writeArea,
        private readonly Ground $ground,
        private readonly PullComposite $pull,
        private readonly RecordReading $record,
        private readonly GatherEvidence $gather,
        private readonly Sign $sign,
        private readonly RecordAnswer $answer,
        private readonly CustodySeeder $custody,
        private readonly BenchSeeder $bench,
        private readonly ReportSeeder $reports,
        private readonly PaddockSeeder $paddock,
        private readonly ProgramSeeder $programs,
        private readonly FollowUpSeeder $followUp,
    ) {}

    public function run(): void
    {
        Carbon::setTestNow('2026-03-30 14:00:00');
        $technician = ($this->found)(
            self::TEAM,
            [
                'name' => 'Maren Oakhurst',
                'email' => 'maren@demo.example',
                'password' => self::PASSWORD,
                'role' => User::TECHNICIAN,
            ],
            'Fennick Soil Laboratory',
            'Burrow capsule kit, pH',
            'B-2214',
        );
        $reviewer = User::query()->create([
            'name' => 'Tobias Wren',
            'email' => 'tobias@demo.example',
            'password' => self::PASSWORD,
            'role' => User::REVIEWER,
            'team_id' => $technician->team_id,
        ]);
        $areas = $this->areas();
        $samples = [];
        foreach (QuillHollow::SEASON as $i => [$name, $day, $lost, $band, $breaks]) {
            $samples[$i] = $this->composite($areas[$name], $technician, $i, $day, $lost, $band, $breaks);
            if (
                ! isset(QuillHollow::SEASON[$i + 1]) ||
                substr(QuillHollow::SEASON[$i + 1][1], 5, 2) !== substr($day, 5, 2)
            ) {
                $this->report($samples, $technician, Carbon::parse($day)->addDays(12));
                $samples = [];
            }
            if ($i === 3) {
                $this->firstLook($reviewer);
                Auth::setUser($technician);
            }
        }
        Carbon::setTestNow('2026-11-20 15:00:00');
        $this->ground->plan($areas['Old orchard below the barn'], $technician, 40);
        ($this->custody)($technician);
        ($this->bench)($technician, $reviewer);
        ($this->reports)($technician);
        ($this->paddock)($technician);
        ($this->programs)($technician, $reviewer);
        ($this->followUp)($technician, $reviewer);
        Carbon::setTestNow();
        Auth::forgetGuards();
    }

    /** @return array<string, Area> */
    private function areas(): array
    {
        $site = Site::query()->create([
            'name' => 'Quill Hollow',
            'letters' => 'QH',
            'address' => '14 Hollow Road, Quill Hollow',
            'timezone' => 'America/New_York',
            'units' => 'us',
            'school' => 'smallholding',
            'latitude' => QuillHollow::MIDDLE[1],
            'longitude' => QuillHollow::MIDDLE[0],
        ]);
        foreach (QuillHollow::LANDMARKS as $name => [$type, $distance, $coordinates]) {
            $site->landmarks()->create([
                'name' => $name,
                'distance_m' => $distance,
                'geometry' => [
                    'type' => $type,
                    'coordinates' => $type === 'Polygon'
                            ? array_map($this->ground->degrees(...), $coordinates)
                            : $this->ground->degrees($coordinates),
                ],
            ]);
        }
        $areas = [];
        foreach (QuillHollow::AREAS as $name => [$use, $history, $ring]) {
            $areas[$name] = $this->writeArea->new($site, [
                'name' => $name,
                'use' => $use,
                'history' => $history,
                'boundary' => $this->ground->boundary($ring),
            ]);
        }

        return $areas;
    }

    /** @param list<string> $breaks */
    private function composite(
        Area $area,
        User $technician,
        int $i,
        string $day,
        int $lost,
        string $band,
        array $breaks,
    ): Sample {
        Carbon::setTestNow("{$day} 15:00:00");
        $plan = $this->ground->plan($area, $technician, 11 + $i);
        $cores = $plan->spec->cores;
        $outcomes = array_values(
            array_map(
                static fn (int $sequence): CoreMark => $sequence > $lost
                    ? new CoreMark($sequence, Outcome::Pulled, null)
                    : new CoreMark($sequence, Outcome::Refused, 'stone'),
                range(1, $cores),
            ),
        );
        $sample = ($this->pull)(
            $plan,
            $technician,
            [
                'composite' => 1,
                'pulled_on' => $day,
                'pulled_by' => $technician->name,
                'cores_pulled' => $cores - $lost,
                'note' => '',
                'submission' => null,
            ],
            $outcomes,
        )[0];
        ($this->record)($sample, TestMethod::query()->where('code', 'kit-ph')->firstOrFail(), $technician, [
            'typed' => $band,
            'read_on' => Carbon::parse($day)->addDays(2)->format('Y-m-d'),
            'reader' => $technician->name,
            'flags' => $breaks,
            'note' => '',
            'corrects_id' => null,
        ]);

        return $sample;
    }

    /** @param array<int, Sample> $samples by their row of the season */
    private function report(array $samples, User $technician, Carbon $day): void
    {
        Carbon::setTestNow($day->setTime(13, 0));
        $lines = ['sample,ph,mehlich_buffer_ph,smp_buffer_ph'];
        foreach ($samples as $i => $sample) {
            $lines[] = implode(',', [
                $sample->portions()->where('kind', 'lab')->valueOrFail('code'),
                ...array_slice(QuillHollow::SEASON[$i], 5),
            ]);
        }
        $lab = Lab::query()->firstOrCreate(
            ['name' => 'Fennick Soil Laboratory'],
            ['holidays' => QuillHollow::HOLIDAYS] + QuillHollow::LABS['Fennick Soil Laboratory'],
        );
        $this->reports->file(
            $lab,
            'fennick-'.$day->format('Y-m').'.csv',
            $day->format('Y-m-d'),
            $lines,
            $technician,
        );
        foreach (ReportQuestion::query()->whereNull('answer')->get() as $question) {
            ($this->answer)($question, $technician, 'note', 'The lab repeated it and found the same.');
        }
    }

    /** After the first round there are too few pairs to begin, and the reviewer says so. */
    private function firstLook(User $reviewer): void
    {
        Auth::setUser($reviewer);
        Carbon::setTestNow('2026-05-04 09:00:00');
        $test = TestMethod::query()->where('code', 'kit-ph')->firstOrFail();
        ($this->sign)(
            $test,
            $reviewer,
            'sort',
            ($this->gather)($test)->hash()->value,
            null,
            'Burrow capsule kit, lot B-2214, read by Maren Oakhurst, soils of Quill Hollow.',
            'Four pairs are too few to begin. Pair every composite of the season.',
        );
    }
}
