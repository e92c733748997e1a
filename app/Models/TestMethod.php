<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\AsValues;
use App\Models\Concerns\BelongsToTeam;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Table\RuleTable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * A way to measure one analyte: a kit by its bands, or a lab method by numbers.
 *
 * @property int $id
 * @property int $team_id
 * @property string $code
 * @property string $name
 * @property string $analyte
 * @property string $workplace bench or lab
 * @property string|null $school
 * @property list<Band>|null $bands
 * @property float|null $uncertainty
 * @property string $lot
 * @property int|null $lab_id
 * @property string $extractant
 * @property string $instrument
 * @property list<array{name: string, url: string}> $links
 * @property \Illuminate\Support\Carbon|null $updated_at
 * @property-read MethodVersion|null $current
 * @property-read \Illuminate\Database\Eloquent\Collection<int, MethodVersion> $versions
 * @property-read \Illuminate\Database\Eloquent\Collection<int, ReagentLot> $lots
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Reading> $readings
 */
final class TestMethod extends Model
{
    use BelongsToTeam;

    protected $table = 'methods';

    protected $guarded = [];

    protected $attributes = ['links' => '[]', 'lab_id' => null, 'extractant' => '', 'instrument' => ''];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['bands' => AsValues::of(Band::class), 'uncertainty' => 'float', 'links' => 'array'];
    }

    /**
     * Orders by whether a method is of the extractant that limits are made for; where they hold for any, by nothing.
     */
    public const FITTING_FIRST = "extractant = nullif(?, '') desc";

    /**
     * The labs' methods for an analyte, the one that tests are judged by first: that of the extractant its limits are
     * made for, then the one the team began with.
     *
     * @return Builder<self>
     */
    public static function labsFor(string $analyte): Builder
    {
        return self::query()
            ->where('analyte', $analyte)
            ->where('workplace', 'lab')
            ->whereNull('school')
            ->orderByRaw(self::FITTING_FIRST, [self::extractantOf($analyte)])
            ->orderBy('id');
    }

    /** The extractant that the limits of an analyte are made for; empty where they hold for any. */
    public static function extractantOf(string $analyte): string
    {
        /** @var array<string, array{extractant?: string}> $analytes */
        $analytes = RuleTable::named('policies')['analytes'];

        return $analytes[$analyte]['extractant'] ?? '';
    }

    /** @return HasMany<Reading, $this> */
    public function readings(): HasMany
    {
        return $this->hasMany(Reading::class, 'method_id');
    }

    /** @return HasMany<MethodVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(MethodVersion::class, 'method_id');
    }

    /** @return HasOne<MethodVersion, $this> the definition it is worked by now */
    public function current(): HasOne
    {
        return $this->hasOne(MethodVersion::class, 'method_id')->latestOfMany('version');
    }

    /** @return HasMany<ReagentLot, $this> */
    public function lots(): HasMany
    {
        return $this->hasMany(ReagentLot::class, 'method_id');
    }

    /** The bands of an ordinal method; an open end is infinite. */
    public function scale(): ?Bands
    {
        return $this->bands === null ? null : Bands::of($this->bands);
    }

    /** Are the numbers of both made in the same way: by the same extractant, instrument and school of buffer? */
    public function measuresAs(self $other): bool
    {
        return $this->extractant === $other->extractant &&
            $this->instrument === $other->instrument &&
            $this->school === $other->school;
    }

    /** @return Collection<int, self> in the order in which the team took them up */
    public static function inOrder(): Collection
    {
        return self::query()->orderBy('id')->get();
    }

    /** The team's method of the bench of this number; a 404 for any other. */
    public static function ofBench(int $id): self
    {
        return self::query()->where('workplace', 'bench')->findOrFail($id);
    }

    /** Is a lot of a reagent on record already? */
    public function hasLot(string $reagent, string $lot): bool
    {
        return $this->lots()->where('reagent', $reagent)->where('lot', $lot)->exists();
    }

    /**
     * @param array<int> $ids
     * @return array<int, self> labs' methods by number
     */
    public static function ofLabs(array $ids): array
    {
        return self::query()->where('workplace', 'lab')->findMany($ids)->keyBy('id')->all();
    }

    /** With all that was ever said of how it is worked. */
    public function withVersions(): self
    {
        return $this->loadMissing(['versions.author:id,name', 'lots']);
    }
}
