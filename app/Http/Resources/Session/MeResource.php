<?php

declare(strict_types=1);

namespace App\Http\Resources\Session;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin User */
final class MeResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'name' => $this->name,
            'email' => $this->email,
            'role' => $this->role,
            'may_sign' => $this->maySign(),
            'may_write' => $this->mayWrite(),
            'may_administer' => $this->mayAdminister(),
            'of_demo' => $this->isOfDemo(),
            'team' => $this->team->name,
            'practice' => $this->practice(),
        ];
    }

    /** @return array<string, mixed>|null where the team is a practice ground: whose, and what its lesson asks */
    private function practice(): ?array
    {
        $field = $this->team->practice;
        $lesson = $field?->lessonOf();

        return $field === null ? null : [
            'ground' => $field->id,
            'level' => $field->level,
            'home' => $field->home->name,
            'lesson' => $lesson === null ? null : [
                'title' => $lesson->title,
                'goal' => $lesson->goal,
                'do' => $lesson->do,
                'said' => (object) $lesson->said,
                'asks' => $lesson->asks,
                'hint' => $field->hinted_at === null ? null : $lesson->hint,
            ],
        ];
    }
}
