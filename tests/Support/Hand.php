<?php

declare(strict_types=1);

namespace Tests\Support;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy as By;
use Facebook\WebDriver\WebDriverKeys as Keys;

/** A person's hand on the real interface that counts what it does: a click, a key, a field filled, files let go over the page. */
final class Hand
{
    public int $actions = 0;

    public function __construct(private readonly BrowserCase $case)
    {
    }

    public function click(string $label, string $in = 'body'): self
    {
        $this->actions++;
        $this->case->press($label, $in);

        return $this;
    }

    public function take(string $selector): self
    {
        $this->actions++;
        $this->press($selector);

        return $this;
    }

    public function key(string $key): self
    {
        $this->actions++;
        $this->case->waitFor('body[data-ready]');
        $this->case->find('body')->sendKeys($key);

        return $this;
    }

    /** Two keys at once. Sent to no element: the page may be gone before the first is let go. */
    public function chord(string $held, string $key): self
    {
        $this->actions++;
        $this->case->waitFor('body[data-ready]');
        (new WebDriverActions($this->case->browser))->keyDown(null, $held)->sendKeys(null, $key)->keyUp(null, $held)->perform();

        return $this;
    }

    /** Fills one field and goes on from it. */
    public function type(string $selector, string $text, string $end = "\t"): self
    {
        $this->actions++;
        $this->press($selector)->sendKeys(Keys::CONTROL.'a'.Keys::NULL.$text.$end);
        $this->settle();

        return $this;
    }

    public function choose(string $selector, string $value): self
    {
        $this->actions++;
        $this->case->find($selector)->findElement(By::cssSelector("option[value=\"{$value}\"]"))->click();
        $this->settle();

        return $this;
    }

    public function upload(string $selector, string $path): self
    {
        $this->actions++;
        $this->case->find($selector)->sendKeys($path);

        return $this;
    }

    /** A click on a place of the page, from its middle. */
    public function point(string $selector, int $right, int $down): self
    {
        $this->actions++;
        (new WebDriverActions($this->case->browser))->moveToElement($this->case->find($selector), $right, $down)->click()->perform();

        return $this;
    }

    /**
     * Lets files go over the page, all at once.
     *
     * @param array<string, string> $files name to bytes
     */
    public function drop(string $selector, array $files): self
    {
        $this->actions++;
        $this->case->waitFor('body[data-ready]');
        $this->case->find($selector);
        $this->case->browser->executeScript(
            'const [selector, files] = arguments, data = new DataTransfer();
            for (const [name, bytes] of Object.entries(files))
                data.items.add(new File([Uint8Array.from(atob(bytes), (c) => c.charCodeAt(0))], name, { type: "application/pdf" }));
            for (const kind of ["dragenter", "dragover", "drop"])
                document.querySelector(selector).dispatchEvent(
                    new DragEvent(kind, { bubbles: true, cancelable: true, dataTransfer: data }));',
            [$selector, array_map(base64_encode(...), $files)],
        );

        return $this;
    }

    private function press(string $selector): RemoteWebElement
    {
        return $this->case->eventually(fn () => $this->case->find($selector)->click(), "{$selector} cannot be pressed");
    }

    /** A person goes on at once; the test waits until what was typed is stored, so that a fault shows where it is made. */
    private function settle(): void
    {
        usleep(60_000);
        $this->case->eventually(fn () => $this->case->all('.htmx-request') === [] ?: null, 'the entry is still on its way');
    }
}
