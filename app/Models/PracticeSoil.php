<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Quantity\DepthLayer;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What truly lies in a composite of a practice ground: nobody sees it before something is signed.
 *
 * @property int $id
 * @property int $team_id
 * @property int $sample_id
 * @property array<string, float> $holds by analyte
 * @property array<string, float> $meant
 * @property non-empty-list<array{float, float}> $places metres east and north of the corner of the ground
 * @property int $short
 * @property int $day of the year
 * @property-read Sample $sample
 */
final class PracticeSoil extends Model
{
    use BelongsToTeam;

    public $timestamps = false;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['holds' => 'array', 'meant' => 'array', 'places' => 'array'];
    }

    /** @return BelongsTo<Sample, $this> */
    public function sample(): BelongsTo
    {
        return $this->belongsTo(Sample::class);
    }

    /** Does it begin at the surface, as what rates are made for does? */
    public function isOfTop(): bool
    {
        return DepthLayer::parse($this->sample->depth)->topCm < 1;
    }

    public static function ofSample(int $sample): ?self
    {
        return self::query()->where('sample_id', $sample)->first();
    }
}
