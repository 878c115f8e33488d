import { Component } from '@angular/core';
@Component({ selector: 'ft-x-FirstRun', template: '' })
export class FirstRun {}
