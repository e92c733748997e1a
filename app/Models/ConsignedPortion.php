<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A portion in a consignment, with the tests asked of it as the lab offered them that day.
 *
 * @property int $id
 * @property int $team_id
 * @property int $consignment_id
 * @property int $portion_id
 * @property list<array{code: string, name: string, fee_cents: int}> $tests
 * @property-read Portion $portion
 * @property-read Consignment $consignment
 */
final class ConsignedPortion extends Model
{
    use BelongsToTeam;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['tests' => 'array'];
    }

    /** @return BelongsTo<Portion, $this> */
    public function portion(): BelongsTo
    {
        return $this->belongsTo(Portion::class);
    }

    /** @return BelongsTo<Consignment, $this> */
    public function consignment(): BelongsTo
    {
        return $this->belongsTo(Consignment::class);
    }
}
