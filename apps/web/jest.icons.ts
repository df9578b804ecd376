import { MatIconRegistry } from '@angular/material/icon';
import { catchError, of } from 'rxjs';

/** Icons are made known by the application as a whole; a part of it that stands alone has blank ones. */
const named = MatIconRegistry.prototype.getNamedSvgIcon;
MatIconRegistry.prototype.getNamedSvgIcon = function (this: MatIconRegistry, name: string, namespace?: string) {
  const blank = () => of(document.createElementNS('http://www.w3.org/2000/svg', 'svg'));
  return named.call(this, name, namespace).pipe(catchError(blank));
};
