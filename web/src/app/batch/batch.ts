import { Component } from '@angular/core';
@Component({ selector: 'ft-x-BatchScreen', template: '' })
export class BatchScreen {}
