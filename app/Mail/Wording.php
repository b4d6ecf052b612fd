<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Support\Facades\Lang;
use Unanimus\Parties\Language;

/** What a letter says, in the words of `lang/en/mail.php`. */
final readonly class Wording
{
    /**
     * @param string $name of the words; none where they are somebody's own
     * @param string $closing what stands below the button
     */
    private function __construct(
        public string $subject,
        public string $body,
        public string $label,
        public string $name = '',
        public string $closing = '',
    ) {
    }

    /** The same under a subject of its sender's; an empty one changes nothing. */
    public function about(string $subject): self
    {
        return $subject === '' ? $this : new self($subject, $this->body, $this->label, $this->name, $this->closing);
    }

    /** Words that were put together before. */
    public static function said(string $subject, string $body, string $label): self
    {
        return new self($subject, $body, $label);
    }

    /**
     * @param array<string, string|int> $with what the words speak of; what is empty leaves no gap
     * @param Language $language of whoever reads it; what is not said in it is said in English
     */
    public static function of(string $letter, array $with, int $count = 1, Language $language = Language::English): self
    {
        return new self(
            (string) __("mail.{$letter}.subject", $with, $language->value),
            trim(
                (string) preg_replace(
                    ['/ +$/m', '/\n{3,}/'],
                    ['', "\n\n"],
                    trans_choice("mail.{$letter}.body", $count, $with, $language->value),
                ),
            ),
            (string) __("mail.{$letter}.label", $with, $language->value),
            $letter,
            Lang::has("mail.{$letter}.closing", $language->value) ? (string) __("mail.{$letter}.closing", $with, $language->value) : '',
        );
    }
}
