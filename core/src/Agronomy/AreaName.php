<?php

declare(strict_types=1);

namespace HonestCore\Agronomy;

/**
 * Will a name still find the ground in ten years?
 *
 * Source: common practice: "north-west pasture" lasts, "field 1" does not.
 */
final class AreaName
{
    private const EMPTY_WORDS = 'field|area|plot|zone|block|section|sample|site|bed|garden|lawn|consignment|no|nr|number|feld|f|a|b|c';

    /** Why the name is questioned, or null when it will do. */
    public static function question(string $name): ?string
    {
        $plain = trim($name);
        if (preg_match('/^[\W\d_]+$/u', $plain) === 1) {
            return 'This name is only a number: nobody can place it ten years from now. Name where it lies or what '.
                'it is, such as "north-west pasture".';
        }
        if (preg_match('/^(?:'.self::EMPTY_WORDS.')?[\s.#_-]*(?:\d+|[a-z])$/iu', $plain) === 1) {
            return 'A word and a number can be renumbered and lost. Name where it lies or what it is, such as '.
                '"orchard below the barn".';
        }
        if (mb_strlen($plain) < 3) {
            return 'This name is too short to be found again. Name where it lies or what it is.';
        }

        return null;
    }
}
