<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Custody\CustodyTrail;
use HonestCore\Custody\StorageClock;
use HonestCore\Custody\TrailLine;
use HonestCore\Custody\WrittenOrder;
use HonestCore\Quantity\DepthLayer;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A split of a composite, or of a check soil, with a destination and a code of its own. State and place follow from
 * its trail.
 *
 * @property int $id
 * @property int $team_id
 * @property int|null $sample_id
 * @property int|null $site_id
 * @property int|null $check_soil_id
 * @property string $kind
 * @property string $code
 * @property int|null $year
 * @property int|null $number
 * @property int|null $volume_ml
 * @property list<string> $tests
 * @property string $state
 * @property string $place
 * @property \Illuminate\Support\Carbon|null $pulled_at
 * @property \Illuminate\Support\Carbon|null $state_at
 * @property \Illuminate\Support\Carbon|null $deadline_at
 * @property-read Sample|null $sample
 * @property-read CheckSoil|null $checkSoil
 * @property-read \Illuminate\Database\Eloquent\Collection<int, CustodyLine> $lines
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ConsignedPortion> $consigned
 */
final class Portion extends Model
{
    use BelongsToTeam;

    /** kind => letter in the code; hidden ones and check soils look like a lab portion of another composite */
    public const LETTERS = [
        'lab' => 'L',
        'lab_b' => 'M',
        'bench' => 'B',
        'archive' => 'A',
        'hidden' => 'L',
        'check' => 'L',
    ];

    public const DISGUISED = ['hidden', 'check'];

    protected $guarded = [];

    protected $attributes = ['tests' => '[]', 'state' => 'split', 'place' => ''];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['tests' => 'array', 'pulled_at' => 'datetime', 'state_at' => 'datetime', 'deadline_at' => 'datetime'];
    }

    /** @return BelongsTo<Sample, $this> */
    public function sample(): BelongsTo
    {
        return $this->belongsTo(Sample::class);
    }

    /** @return BelongsTo<CheckSoil, $this> */
    public function checkSoil(): BelongsTo
    {
        return $this->belongsTo(CheckSoil::class);
    }

    /** @return HasMany<ConsignedPortion, $this> */
    public function consigned(): HasMany
    {
        return $this->hasMany(ConsignedPortion::class);
    }

    /** @return HasMany<CustodyLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(CustodyLine::class);
    }

    /** @return list<TrailLine> in the order in which they were written */
    public function written(): array
    {
        return array_values(
            $this->lines->sortBy('id')->map(static fn (CustodyLine $line): TrailLine => $line->ofTrail())->all(),
        );
    }

    /** As it is stored; damage is said in it and hides nothing. */
    public function trail(): CustodyTrail
    {
        return CustodyTrail::asFound($this->code, $this->written(), now()->getTimestamp());
    }

    /** @return list<int> places in the record that were written after the server's clock had been set back */
    public function writtenBackwards(): array
    {
        $times = [];
        foreach ($this->lines as $line) {
            if ($line->link !== null) {
                $times[$line->link->position] = $line->created_at->getTimestamp();
            }
        }

        return WrittenOrder::backwards($times);
    }

    public function clock(CustodyTrail $trail): StorageClock
    {
        return StorageClock::of(
            $this->tests,
            $trail,
            $this->pulled_at?->getTimestamp() ?? $trail->lines[0]->at ?? now()->getTimestamp(),
            now()->getTimestamp(),
        );
    }

    public function depth(): ?DepthLayer
    {
        return $this->sample === null ? null : DepthLayer::parse($this->sample->depth);
    }

    /**
     * What it is to be tested for; that may hurry it.
     *
     * @param list<string> $tests
     */
    public function ask(array $tests, ?int $volumeMl): void
    {
        $this->fill(['tests' => $tests, 'volume_ml' => $volumeMl]);
        $deadline = $this->clock($this->load('lines')->trail())->deadline;
        $this->fill(['deadline_at' => $deadline === null ? null : Carbon::createFromTimestampUTC($deadline)])->save();
    }
}
