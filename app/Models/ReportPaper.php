<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use Illuminate\Database\Eloquent\Model;

/**
 * The lab's own paper of a report, as a file outside of what the server gives out by itself; written once and never
 * read.
 *
 * @property int $id
 * @property int $team_id
 * @property int $report_id
 * @property int $created_by
 * @property string $name
 * @property string $type
 * @property string $file
 * @property int $bytes
 * @property string $sha256
 */
final class ReportPaper extends Model
{
    use BelongsToTeam;

    public const FOLDER = 'papers';

    protected $guarded = [];
}
