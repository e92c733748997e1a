<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use Illuminate\Http\UploadedFile;

/**
 * A picture that can be decoded, of no more pixels than a phone takes: the head of a file says what its maker likes. Files
 * of another kind are for other rules.
 */
final class SoundPicture implements ValidationRule
{
    private const MOST_PIXELS = 50_000_000;

    /** @param Closure(string, string|null=): \Illuminate\Translation\PotentiallyTranslatedString $fail */
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $type = $value instanceof UploadedFile ? (string) $value->getMimeType() : '';
        if (! $value instanceof UploadedFile || ! in_array($type, ['image/png', 'image/jpeg'], true)) {
            return;
        }
        $content = $value->getContent();
        $size = @getimagesizefromstring($content);
        if ($size === false || $size[0] * $size[1] > self::MOST_PIXELS) {
            $fail('The picture cannot be read or is too large; accepted are PNG and JPEG of up to 50 million pixels.');

            return;
        }
        $picture = @imagecreatefromstring($content);
        if ($picture === false) {
            $fail('The picture is cut off or damaged; accepted are PNG and JPEG that open elsewhere.');
        }
    }
}
