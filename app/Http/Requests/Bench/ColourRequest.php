<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use HonestCore\Colour\Patch;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Validator;

/**
 * Patches of one photo: the tube, a white spot and the swatches of the card, as the pixels that the browser cut out.
 */
final class ColourRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'tube' => ['required', 'array', 'list', 'max:7500'],
            'white' => ['required', 'array', 'list', 'max:7500'],
            'swatches' => ['required', 'array', 'list', 'between:2,20'],
            'swatches.*.name' => ['required', 'string', 'max:40', 'distinct'],
            'swatches.*.pixels' => ['required', 'array', 'list', 'max:7500'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'tube.required' => 'Pick the tube on the photo.',
            'white.required' => 'Pick a white spot on the photo.',
            'swatches.required' => 'Pick the swatches of the card on the photo.',
            'swatches.between' => 'Pick at least two swatches.',
        ];
    }

    /**
     * Pixels are looked at in one pass: a rule for each of thousands of channels would take most of the request's time.
     *
     * @return list<callable(Validator): void>
     */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }
                foreach ($this->raw() as $name => $pixels) {
                    foreach ($pixels as $channel) {
                        if (! is_int($channel)) {
                            $validator->errors()->add($name, "A pixel of {$name} is no whole number from 0 to 255.");
                            break;
                        }
                    }
                }
            },
        ];
    }

    /** @return array{tube: Patch, white: Patch, swatches: list<Patch>} */
    public function patches(): array
    {
        /** @var list<array{name: string, pixels: list<int>}> $swatches */
        $swatches = $this->array('swatches');
        /** @var list<int> $tube */
        $tube = $this->array('tube');
        /** @var list<int> $white */
        $white = $this->array('white');

        return [
            'tube' => Patch::of('the tube', $tube),
            'white' => Patch::of('the white spot', $white),
            'swatches' => array_map(
                static fn (array $swatch): Patch => Patch::of($swatch['name'], $swatch['pixels']),
                $swatches,
            ),
        ];
    }

    /** @return array<string, array<mixed>> */
    private function raw(): array
    {
        $raw = ['tube' => $this->array('tube'), 'white' => $this->array('white')];
        foreach ($this->array('swatches') as $i => $swatch) {
            $raw["swatches.{$i}.pixels"] =
                is_array($swatch) && is_array($swatch['pixels'] ?? null) ? $swatch['pixels'] : [];
        }

        return $raw;
    }
}
