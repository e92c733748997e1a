<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\SignedProgram;
use Carbon\CarbonInterface;
use HonestCore\Program\GrowersWords;

/** What the grower's page shows of a signed program: one area and nothing of any other. */
final class GrowersPage
{
    /** @return array<string, mixed> */
    public function of(SignedProgram $program, CarbonInterface $endsAt): array
    {
        $words = GrowersWords::of($program->body);

        return [
            'title' => $words->area(),
            'site' => $words->site(),
            'words' => $words,
            'signedBy' => $program->signer->name,
            'signedOn' => $program->created_at->setTimezone($words->timezone())->format('j F Y'),
            'endsOn' => $endsAt->copy()->setTimezone($words->timezone())->format('j F Y'),
            'newer' => $program->follower !== null,
            'season' => $program->season,
            'note' => $program->note,
        ];
    }
}
