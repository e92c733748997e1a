<?php

declare(strict_types=1);

namespace App\Http\Requests\Areas;

use App\Http\Requests\Concerns\GivesFields;
use App\Models\Site;
use App\Models\User;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

final class SiteRequest extends FormRequest
{
    use GivesFields;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        /** @var User $user */
        $user = $this->user();
        $site = $this->route('site');
        $site = $site instanceof Site ? $site : null;

        return [
            'name' => ['required', 'string', 'min:2', 'max:80'],
            'letters' => [
                'required',
                'string',
                'regex:/^[A-Z]{2,3}$/',
                Rule::unique('sites')->where('team_id', $user->team_id)->ignore($site?->id),
                static function (string $field, mixed $value, Closure $fail) use ($site): void {
                    if ($site !== null && $value !== $site->letters && $site->hasSamples()) {
                        $fail("The codes of its samples begin with {$site->letters}: the letters stay.");
                    }
                },
            ],
            'address' => ['required', 'string', 'max:200'],
            'timezone' => ['required', 'timezone:all'],
            'units' => ['required', Rule::in(['us', 'metric'])],
            'owner' => ['sometimes', 'nullable', 'string', 'max:120'],
            'phone' => ['sometimes', 'nullable', 'string', 'max:40'],
            'latitude' => ['required', 'numeric', 'between:-89,89'],
            'longitude' => ['required', 'numeric', 'between:-180,180'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'letters.regex' => 'The letters start every sample code: 2 or 3 capitals, such as QH.',
            'letters.unique' => 'Another site of this team has these letters.',
            'timezone.timezone' => 'Name a time zone as in America/New_York.',
        ];
    }
}
