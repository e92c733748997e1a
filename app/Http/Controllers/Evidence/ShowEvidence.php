<?php

declare(strict_types=1);

namespace App\Http\Controllers\Evidence;

use App\Actions\Evidence\GatherEvidence;
use App\Exceptions\Conflict;
use App\Http\Resources\Evidence\EvidenceResource;
use App\Models\TestMethod;
use App\Models\Verdict;

final class ShowEvidence
{
    public function __invoke(TestMethod $method, GatherEvidence $gather): EvidenceResource
    {
        $untested = $gather->untested($method);
        if ($untested !== null) {
            throw new Conflict("{$method->name}: {$untested}");
        }

        return new EvidenceResource($gather($method), Verdict::standing()->where('method_id', $method->id)->with(Verdict::SHOWN_WITH)->get());
    }
}
