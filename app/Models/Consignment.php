<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\IsShown;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A consignment of portions for one lab.
 *
 * @property int $id
 * @property int $team_id
 * @property int $lab_id
 * @property int $created_by
 * @property int $number
 * @property string $submission
 * @property string $state packed, sent, arrived, reported or lost
 * @property list<array{label: string, required: bool, value: string}> $form
 * @property list<array{code: string, portion: string|null, text: string}> $warnings
 * @property int $fee_cents
 * @property string $carrier
 * @property string $reference
 * @property string $word
 * @property \Illuminate\Support\Carbon|null $sent_at
 * @property \Illuminate\Support\Carbon|null $expected_on
 * @property \Illuminate\Support\Carbon|null $asked_on
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read Lab $lab
 * @property-read User $author
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ConsignedPortion> $contents
 * @property-read \Illuminate\Database\Eloquent\Collection<int, DeliveredReport> $reports
 */
final class Consignment extends Model
{
    use BelongsToTeam;
    use IsShown;

    protected $guarded = [];

    protected $attributes = ['carrier' => '', 'reference' => '', 'word' => ''];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'form' => 'array',
            'warnings' => 'array',
            'sent_at' => 'datetime',
            'expected_on' => 'date',
            'asked_on' => 'date',
        ];
    }

    /** @return BelongsTo<Lab, $this> */
    public function lab(): BelongsTo
    {
        return $this->belongsTo(Lab::class);
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return HasMany<ConsignedPortion, $this> */
    public function contents(): HasMany
    {
        return $this->hasMany(ConsignedPortion::class);
    }

    /** @return HasMany<DeliveredReport, $this> */
    public function reports(): HasMany
    {
        return $this->hasMany(DeliveredReport::class);
    }

    /** Working days past the day it was expected on; 0 when it is not late. */
    public function daysLate(): int
    {
        return $this->expected_on === null || in_array($this->state, ['packed', 'reported'], true)
            ? 0
            : max(
                0,
                $this->lab
                    ->workingDays()
                    ->between($this->expected_on->toDateTimeImmutable(), now()->toDateTimeImmutable()),
            );
    }

    public const SHOWN_WITH = [
        'lab',
        'author:id,name',
        'contents.portion.sample.area',
        'contents.portion.sample.site',
        'reports:id,consignment_id,name,sha256,created_at',
    ];

    /** @return Collection<int, self> the newest, with how many portions are in each */
    public static function newest(int $most, bool $openAlone): Collection
    {
        return self::query()
            ->with('lab')
            ->withCount('contents')
            ->when($openAlone, static fn ($query) => $query->whereNot('state', 'reported'))
            ->orderByDesc('number')
            ->limit($most)
            ->get();
    }
}
