<?php

declare(strict_types=1);

namespace App\Http\Resources\Prescribe;

use App\Models\ProgramShare;
use App\Models\SignedProgram;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @property SignedProgram $resource */
final class SignedProgramResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $it = $this->resource;

        return [
            ...(new SignedLineResource($it))->toArray($request),
            'body' => ['verdicts' => $it->verdictsHere()] + $it->body,
            'choices' => $it->choices->toRow(),
            'shares' => $it->shares
                ->map(static fn (ProgramShare $share): array => (new ShareResource($share))->toArray($request))
                ->all(),
        ];
    }
}
