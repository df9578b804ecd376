import { inject } from '@angular/core';
import { MatIconRegistry } from '@angular/material/icon';
import { DomSanitizer } from '@angular/platform-browser';
import { ICONS } from './paths';

/** Makes every icon known by its name, as an outline in the page itself: no font is fetched for them. */
export function registerIcons(): void {
  const [registry, sanitizer] = [inject(MatIconRegistry), inject(DomSanitizer)];
  for (const [name, path] of Object.entries(ICONS))
    registry.addSvgIconLiteral(
      name,
      // Written by us at build time, and nothing else.
      sanitizer.bypassSecurityTrustHtml(`<svg viewBox="0 0 960 960"><path d="${path}"/></svg>`),
    );
}
