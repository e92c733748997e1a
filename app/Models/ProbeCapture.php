<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * What a probe streamed while it was in a tube: the good readings, and where there were gaps.
 *
 * @property int $id
 * @property int $team_id
 * @property int $run_id
 * @property int $created_by
 * @property int $tube
 * @property list<array{n: int, at_ms: int, value: float|int, celsius: float|int|null}> $readings
 * @property list<array{after_n: int|null, kind: string, words: string}> $gaps
 * @property bool $simulated
 */
final class ProbeCapture extends Model
{
    use BelongsToTeam;

    protected $table = 'probe_captures';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['readings' => 'array', 'gaps' => 'array', 'simulated' => 'boolean'];
    }

    /** The last good readings, which are the ones that count. */
    private const LAST = 8;

    /** @return list<float> */
    public function values(): array
    {
        return array_map(static fn (array $reading): float => (float) $reading['value'], $this->readings);
    }

    /** @return list<float> those that its mean is made of */
    public function used(): array
    {
        return array_slice($this->values(), -self::LAST);
    }
}
