<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The people who share sites, samples and verdicts; no team sees another's.
 *
 * @property int $id
 * @property string $name
 */
final class Team extends Model
{
    protected $guarded = [];
}
