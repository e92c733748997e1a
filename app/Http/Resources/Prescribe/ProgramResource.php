<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Actions\Prescribe\Composed;
use App\Models\ProgramChange;
use App\Models\ProgramDraft;
use App\Models\SignedProgram;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property Composed $resource */
final class ProgramResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;
        $draft = ProgramDraft::for($it->area, $it->crop->code, $it->season());
        $standing = SignedProgram::standingFor($it->area, $it->crop->code, $it->season());

        return [
            'area_id' => $it->area->id,
            'site_id' => $it->area->site_id,
            ...$it->body,
            'season' => $it->season(),
            'choices' => $it->choices->toRow(),
            'hash' => $it->hash,
            'in_short' => $it->inShort(),
            'unwanted' => $it->unwanted(),
            'version' => $draft->version ?? 0,
            'follows_id' => $standing?->id,
            'follows_same' => $standing !== null && $it->isLike($standing->body),
            'changes' => $draft === null
                ? []
                : $draft->edits
                    ->map(static fn (ProgramChange $one): array => [
                        'what' => $one->what,
                        'reason' => $one->reason,
                        'by' => $one->author->name,
                        'at' => $one->created_at->toIso8601String(),
                    ])
                    ->all(),
        ];
    }
}
