<?php

declare(strict_types=1);

namespace App\Actions\Custody;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\CheckSoil;
use App\Models\CustodyLine;
use App\Models\Portion;
use App\Models\Sample;
use App\Models\Site;
use App\Models\User;
use HonestCore\Custody\SampleCode;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/** Splits portions off a composite, or off a check soil, each with its code and the first line of its trail. */
final class SplitOff
{
    public function __construct(private readonly RunningNumber $numbers) {}

    /** @param list<string> $tests */
    public function sample(
        User $author,
        Sample $sample,
        string $kind,
        Carbon $at,
        ?int $volumeMl = null,
        array $tests = [],
        string $state = '',
    ): Portion {
        return AllOrNothing::of(function () use ($author, $sample, $kind, $at, $volumeMl, $tests, $state): Portion {
            $sample->loadMissing('site');
            $own = $kind === 'hidden' ? $this->numbers->next($sample->site, $sample->year) : null;
            if ($own === null && Portion::query()->where('sample_id', $sample->id)->where('kind', $kind)->exists()) {
                throw Conflict::because('portion_there', sample: $sample->code);
            }
            $portion = Portion::query()->create([
                'sample_id' => $sample->id,
                'site_id' => $sample->site_id,
                'kind' => $kind,
                'volume_ml' => $volumeMl,
                'tests' => $tests,
                'pulled_at' => Portion::query()->where('sample_id', $sample->id)->min('pulled_at') ?? $at->copy()->utc(),
                'year' => $own === null ? null : $sample->year,
                'number' => $own,
                'code' => SampleCode::ofSample(
                    $sample->site->letters,
                    $sample->year,
                    $own ?? $sample->number,
                    Portion::LETTERS[$kind],
                )->text,
            ]);

            return $this->begin($author, $portion, $at, $state);
        });
    }

    /** @param list<string> $tests */
    public function checkSoil(
        User $author,
        Site $site,
        CheckSoil $soil,
        Carbon $at,
        ?int $volumeMl,
        array $tests,
    ): Portion {
        return AllOrNothing::of(function () use ($author, $site, $soil, $at, $volumeMl, $tests): Portion {
            $year = (int) $at->copy()->setTimezone($site->timezone)->format('Y');
            $number = $this->numbers->next($site, $year);
            $portion = Portion::query()->create([
                'site_id' => $site->id,
                'check_soil_id' => $soil->id,
                'kind' => 'check',
                'volume_ml' => $volumeMl,
                'tests' => $tests,
                'pulled_at' => $at->copy()->utc(),
                'year' => $year,
                'number' => $number,
                'code' => SampleCode::ofSample($site->letters, $year, $number, Portion::LETTERS['check'])->text,
            ]);

            return $this->begin($author, $portion, $at, 'dried');
        });
    }

    /** What is split off soil that is dry already is dry. */
    private function begin(User $author, Portion $portion, Carbon $at, string $state): Portion
    {
        CustodyLine::query()->create([
            'portion_id' => $portion->id,
            'created_by' => $author->id,
            'uuid' => Str::uuid()->toString(),
            'step' => $state === 'dried' ? 'split_dry' : 'split',
            'at' => $at->copy()->utc(),
            'place' => '',
            'condition' => '',
            'celsius' => null,
        ]);
        $trail = $portion->load('lines')->trail();
        $clock = $portion->clock($trail);
        $portion->update([
            'state' => $trail->state(),
            'state_at' => $at->copy()->utc(),
            'deadline_at' => $clock->deadline === null ? null : Carbon::createFromTimestampUTC($clock->deadline),
        ]);

        return $portion;
    }
}
