<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * The people who share sites, samples and verdicts; no team sees another's.
 *
 * @property int $id
 * @property string $name
 * @property array<string, float|int>|null $prices what work and lime cost here, which comparisons begin with
 * @property-read PracticeField|null $practice where it is a practice ground
 * @property int $numbers_from by how much the numbers of its rows lie above those of its record
 */
final class Team extends Model
{
    /** What a team may say that it costs here, by its name in data/comparison.json. */
    public const PRICES = ['lab_fee', 'wage_per_hour', 'lime_price_per_ton', 'loss_per_acre_and_ph'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['prices' => 'array'];
    }

    /** @return HasOne<PracticeField, $this> */
    public function practice(): HasOne
    {
        return $this->hasOne(PracticeField::class);
    }

    /**
     * Those a command asks for, by number or name; all where none is asked for.
     *
     * @return Collection<int, self>
     */
    public static function asked(mixed $team): Collection
    {
        return self::query()
            ->when(is_string($team), static fn ($teams) => $teams->where('id', $team)->orWhere('name', $team))
            ->orderBy('id')
            ->get();
    }
}
