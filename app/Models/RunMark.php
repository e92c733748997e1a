<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use HonestCore\Bench\Mark;
use Illuminate\Database\Eloquent\Model;

/**
 * One line of a run's log: written once.
 *
 * @property int $id
 * @property int $team_id
 * @property int $run_id
 * @property int $created_by
 * @property string $uuid
 * @property string $kind
 * @property int $tube
 * @property int $at_ms
 * @property array{step?: string, reader?: string, typed?: string, between?: string|null, code?: string,
 *     undoes?: string, note?: string, capture_id?: int|null, match?: array<string, mixed>|null} $data
 */
final class RunMark extends Model
{
    use BelongsToTeam;

    protected $table = 'run_marks';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['data' => 'array', 'at_ms' => 'integer'];
    }

    public function ofLog(): Mark
    {
        $data = $this->data;

        return new Mark(
            $this->uuid,
            $this->kind,
            $this->tube,
            $this->at_ms,
            $data['step'] ?? '',
            $data['reader'] ?? '',
            $data['typed'] ?? '',
            $data['between'] ?? null,
            $data['code'] ?? '',
            $data['undoes'] ?? '',
        );
    }
}
